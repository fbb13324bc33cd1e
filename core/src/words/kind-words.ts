/** What a kind of work says: its words stand in its own folder and are part of the one catalogue. */
export interface KindWords {
  /** Names of its processes, by id, as losses and cards call them. */
  names: Record<string, string>;
  /** Rows of its panel and pages that no other kind has. */
  labels?: Record<string, string>;
  /** Its own formulas: what each is, how it reads, what its terms mean. */
  formulas?: Record<string, FormulaWords>;
  /** Titles of its practice values, and each of them. */
  practiceRooms?: Record<string, string>;
  practice?: Record<string, string>;
  /** What it finds of its own runs, and what is offered against it. */
  findings?: Record<string, FindingWords>;
  remedies?: Record<string, Sentence>;
}

export interface FormulaWords {
  name: string;
  reads: string;
  terms?: Record<string, string>;
}

/** Arguments of a sentence, as a finding carries them. */
export type Args = Record<string, number | string>;
export type Sentence = (a: Args) => string;
/** A finding in words: short, the figure in it, what follows. */
export interface FindingWords {
  title: Sentence;
  says: Sentence;
}
