/** How requests come: B of each, and how many are under way at once. */
export interface Requests {
  block: number;
  depth: number;
}
