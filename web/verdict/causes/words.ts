import { isLinkId, linkById } from '@kymar/core/catalog/links';

/** What was seen, in words: a link by its name. */
export const seenWords = (seen: string): string => (isLinkId(seen) ? linkById(seen).name : seen);
