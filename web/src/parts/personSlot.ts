import { createContext, type ReactNode } from "react";

/** Who is signed in, as the application shows it on the couch. */
export const PersonSlot = createContext<ReactNode>(null);
