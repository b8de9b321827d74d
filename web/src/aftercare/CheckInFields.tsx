import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useRef } from "react";
import type { CheckInWords, NewCheckIn } from "../api/types";
import { Chips } from "../parts/Chips";
import styles from "./CheckInFields.module.css";

const cx = classNames.bind(styles);

/** A check-in as it is filled in; empty until each of the three numbers is given. */
export interface CheckInDraft {
  sensation?: number;
  flaking?: number;
  redness?: number;
  complaints: NewCheckIn["complaints"];
  words: string;
  flakedFrom: string;
  flakedTo: string;
  photo?: string;
}

export const EMPTY_CHECK_IN: CheckInDraft = {
  complaints: [],
  words: "",
  flakedFrom: "",
  flakedTo: "",
};

/** As it is sent, once the three numbers are given. */
export function asSent(draft: CheckInDraft, id: string): NewCheckIn | undefined {
  const { sensation, flaking, redness } = draft;
  if (sensation === undefined || flaking === undefined || redness === undefined) return undefined;
  return {
    id,
    sensation,
    flaking,
    redness,
    complaints: draft.complaints,
    words: draft.words,
    flakedFrom: draft.flakedFrom || undefined,
    flakedTo: draft.flakedTo || undefined,
    photo: draft.photo,
  };
}

/** So large a photo is sent; the server draws it anew. */
const LONGEST_SIDE = 1600;

/** Drawn smaller on the device, so that it is quick to send and holds nothing but the picture. */
async function drawn(file: File): Promise<string> {
  const image = await createImageBitmap(file);
  const scale = Math.min(1, LONGEST_SIDE / Math.max(image.width, image.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.round(image.width * scale);
  canvas.height = Math.round(image.height * scale);
  canvas.getContext("2d")?.drawImage(image, 0, 0, canvas.width, canvas.height);
  return canvas.toDataURL("image/jpeg", 0.85).split(",")[1] ?? "";
}

/** The form, the same for who asks by phone and for the client's own page. */
export function CheckInFields({
  words,
  draft,
  days,
  onChange,
}: {
  words: CheckInWords;
  draft: CheckInDraft;
  days: { from: string; to: string };
  onChange: (draft: CheckInDraft) => void;
}) {
  const picker = useRef<HTMLInputElement>(null);
  const set = (more: Partial<CheckInDraft>) => onChange({ ...draft, ...more });
  const scale = (most: number, said: (value: number) => string) =>
    Array.from({ length: most + 1 }, (_, value) => ({ value, label: said(value) }));
  return (
    <>
      <Scale
        label={words.feel}
        options={scale(10, String)}
        value={draft.sensation}
        onChange={(sensation) => set({ sensation })}
      />
      <Scale
        label={words.flaking}
        options={scale(3, (value) => words.degrees[value] ?? "")}
        value={draft.flaking}
        onChange={(flaking) => set({ flaking })}
      />
      <Scale
        label={words.redness}
        options={scale(3, (value) => words.degrees[value] ?? "")}
        value={draft.redness}
        onChange={(redness) => set({ redness })}
      />
      <div className="stack">
        <b>{words.anyOfThese}</b>
        <Chips
          label={words.anyOfThese}
          options={words.complaints.map(({ id, words: label }) => ({ id, label }))}
          chosen={draft.complaints}
          onChange={(complaints) => set({ complaints })}
        />
      </div>
      {draft.flaking === 0 && (
        <div className="row wrap">
          {(
            [
              ["flakedFrom", words.flakesBegan],
              ["flakedTo", words.flakesEnded],
            ] as const
          ).map(([name, label]) => (
            <TextField
              key={name}
              type="date"
              label={label}
              value={draft[name]}
              onChange={(e) => set({ [name]: e.target.value })}
              slotProps={{
                inputLabel: { shrink: true },
                htmlInput: { min: days.from, max: days.to },
              }}
            />
          ))}
        </div>
      )}
      <TextField
        label={words.ownWords}
        multiline
        minRows={2}
        value={draft.words}
        onChange={(e) => set({ words: e.target.value })}
        slotProps={{ htmlInput: { maxLength: 1000 } }}
      />
      <div className="row wrap">
        <Button color="inherit" onClick={() => picker.current?.click()}>
          {words.photo}
        </Button>
        <input
          ref={picker}
          type="file"
          accept="image/jpeg,image/png"
          aria-label={words.photo}
          tabIndex={-1}
          hidden
          onChange={(e) => {
            const file = e.target.files?.[0];
            if (file) void drawn(file).then((photo) => set({ photo }));
          }}
        />
        {draft.photo && (
          <img
            className={cx("thumb")}
            src={`data:image/jpeg;base64,${draft.photo}`}
            alt={words.photo}
          />
        )}
      </div>
    </>
  );
}

function Scale({
  label,
  options,
  value,
  onChange,
}: {
  label: string;
  options: { value: number; label: string }[];
  value: number | undefined;
  onChange: (value: number) => void;
}) {
  return (
    <div className="stack">
      <b>{label}</b>
      <div
        className={cx("scale", options.length > 5 ? "long" : "")}
        role="group"
        aria-label={label}
      >
        {options.map((option) => (
          <button
            key={option.value}
            type="button"
            aria-pressed={value === option.value}
            onClick={() => onChange(option.value)}
          >
            {option.label}
          </button>
        ))}
      </div>
    </div>
  );
}
