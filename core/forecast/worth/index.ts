export { worthFinding, type Worth, type WorthFinding, type WorthId } from './worth';
export { nothingWorth, worthWords } from './words';
