import type { Consult, ConsultState, ConsultWords } from "../api/types";

/** What every part of the consult is given. */
export interface ConsultPart {
  visitId: string;
  words: ConsultWords;
  consult: Consult;
  state: ConsultState;
  /** For a tap. */
  change: (part: Partial<Consult>) => void;
  /** For a form, which shows a refusal itself. */
  submit: (part: Partial<Consult>) => Promise<void>;
}
