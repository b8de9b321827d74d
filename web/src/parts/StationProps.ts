import type { Visit } from "../api/types";

/** What the screen of every station is given. */
export interface StationProps {
  visit: Visit;
}
