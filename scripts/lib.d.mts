export { root, startServer } from './serve.cjs';
export function chromium(): string | null;
