import type { Family, QuestionAnswer, QuestionWords, Zone } from "../api/types";

/** A question as it is asked, with what was answered. */
export type Question = QuestionWords &
  Omit<QuestionAnswer, "zones" | "families" | "products"> & {
    zones: Zone[];
    families: Family[];
    products: string[];
  };

// An answer that stays the same stays the same object, so that its question is not drawn anew.
const MADE = new WeakMap<QuestionAnswer, Question>();

function asked(words: QuestionWords, answer: QuestionAnswer): Question {
  const made = MADE.get(answer) ?? { zones: [], families: [], products: [], ...words, ...answer };
  MADE.set(answer, made);
  return made;
}

/** The questions that are asked of a client, in their order. */
export function questionsOf(words: QuestionWords[], answers: QuestionAnswer[]): Question[] {
  const byId = new Map(words.map((one) => [one.id, one]));
  return answers.flatMap((answer) => {
    const found = byId.get(answer.id);
    return found ? [asked(found, answer)] : [];
  });
}
