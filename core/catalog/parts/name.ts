import type { Part } from './shop';

/** What a part is called, its maker with it. */
export function nameOf(part: Part): string {
  return 'name' in part ? part.name : `${part.maker} ${part.model}`;
}
