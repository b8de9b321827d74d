import { LANGUAGES } from "../api/enumWords";
import type { Language } from "../api/types";
import { Segments } from "./Segments";

/** The language of a sheet for the client's hand. */
export function LanguageChoice({
  value,
  onChange,
}: {
  value: Language;
  onChange: (language: Language) => void;
}) {
  return (
    <Segments
      label="Language of the sheet"
      options={(Object.keys(LANGUAGES) as Language[]).map((id) => ({ id, label: LANGUAGES[id] }))}
      value={value}
      onChange={onChange}
    />
  );
}
