/** The one part of WebAssembly that the server uses; its types come with the DOM's, which the server does without. */
declare namespace WebAssembly {
  class Memory {
    constructor(descriptor: { initial: number });
    readonly buffer: ArrayBuffer;
  }
}
