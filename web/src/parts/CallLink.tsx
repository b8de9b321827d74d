import { firstName } from "./words";

/** A telephone number that dials where it is tapped; nothing where none is known. */
export function CallLink({ number, whose }: { number: string | undefined; whose?: string }) {
  if (!number) return null;
  return (
    <a
      className="small mono"
      href={`tel:${number.replace(/[^+\d]/g, "")}`}
      aria-label={whose && `Call ${firstName(whose)}: ${number}`}
    >
      {number}
    </a>
  );
}
