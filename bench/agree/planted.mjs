export const PLANTED = [];
