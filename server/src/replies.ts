/** A file with its type, sent as it is. */
export interface FileReply {
  mime: string;
  name: string;
  bytes: Uint8Array;
  /** To be kept as a file, not shown. */
  attached?: boolean;
  /** The address will always answer with these bytes: a browser need not ask again. */
  forEver?: boolean;
}
/** A reply that the database wrote as JSON itself: a page of a long list is not taken apart and put together again on its way. */
export class WrittenJson {
  constructor(readonly text: string) {}
}
/** An open stream of events: it writes until it is closed. */
export interface EventsReply {
  /** `end` closes it from our side. Gives what is to be done when it is closed. */
  open(write: (chunk: string) => void, end: () => void): () => void;
}
