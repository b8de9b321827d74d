import type { BenchWords } from "../api/types";

/** What every tool of the Bench is given. */
export interface ToolProps {
  words: BenchWords;
}
