/** Nobody answered: a worker whose code could not be loaded, a server that is away. What was asked may be answered later. */
export class Gone extends Error {}
