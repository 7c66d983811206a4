/** What a piece of text was taken for. */
export interface NameReading {
  kind:
    | 'link'
    | 'protocol'
    | 'form'
    | 'connector'
    | 'rate'
    | 'capacity'
    | 'spindle'
    /** Of a drive: sustained writing, SLC cache, rated writes, warranty in years, operations a second, mapping table. */
    | 'sustained'
    | 'cache'
    | 'tbw'
    | 'warranty'
    | 'dwpd'
    | 'iops'
    | 'map'
    /** Of a disk: its memory. Of the sale: what is asked, and how long it was in use. */
    | 'buffer'
    | 'price'
    | 'hours';
  /** The piece, as it stands in the normalised text. */
  text: string;
  at: number;
  /** What it means, in words. */
  meaning: string;
  /** Links it can stand for; several when the text leaves it open. */
  links?: string[];
  /** B/s, B, rpm, years, operations a second, money or hours. */
  value?: number;
  /** Of a price, where it is said [ISO 4217]. */
  currency?: string;
}

/** Something about a text to be told before anybody buys by it. */
export interface Flag {
  kind: 'ambiguous' | 'nonsense' | 'note';
  id: string;
  words: string;
}

export interface Decoded {
  /** The text as it was read. */
  text: string;
  readings: NameReading[];
  flags: Flag[];
  /** Words of it that nothing was made of. */
  unread: string[];
  /** The links the whole text can mean, best first; empty when it names none. */
  links: string[];
}
