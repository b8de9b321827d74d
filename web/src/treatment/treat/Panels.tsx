import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { type FormEvent, type ReactNode, useState } from "react";
import { QUALITIES, REDNESS, SIGNS, WHITENING, WHITENING_LOOKS } from "../../api/enumWords";
import type { Fact, Quality, Row, Sign, Treatment, Whitening, Zone } from "../../api/types";
import { FaceLegend } from "../../parts/FaceMap";
import { KeyHelp } from "../../parts/KeyHelp";
import type { KeyBinding } from "../../parts/useKeys";
import { zoneName } from "../../parts/words";
import styles from "./Panels.module.css";

const cx = classNames.bind(styles);

export type PanelName =
  | "redness"
  | "whitening"
  | "wipe"
  | "hot"
  | "quality"
  | "note"
  | "alarm"
  | "pass"
  | "zone"
  | "legend";

interface PanelProps {
  name: PanelName;
  treatment: Treatment;
  /** Zones that were chosen on the face; none means all that carry acid. */
  chosen: Zone[];
  /** Of the advice that may be gone against. */
  row: Row | undefined;
  /** Of the screen behind it. */
  keys: KeyBinding[];
  onSay: (fact: Fact) => void;
  onClose: () => void;
}

const WHITE_KEYS: { id: Whitening; key: string }[] = [
  { id: "NONE", key: "0" },
  { id: "CRYSTALS", key: "c" },
  { id: "F1", key: "1" },
  { id: "F2", key: "2" },
  { id: "F3", key: "3" },
  { id: "F4", key: "4" },
];
const ALARMS: Sign[] = [
  "ASKS_TO_STOP",
  "EYE",
  "BREATHLESS",
  "FAINT",
  "PALPITATION",
  "RINGING_EARS",
  "SWELLING_MOUTH",
  "WHEALS_BEYOND",
  "BLISTER",
  "SWELLING",
  "WHEALS",
];
const REASONS = ["falling already", "client wants to go on", "one zone only, watched"];

/** What is being entered; it takes the place of the row of keys until it is done. */
export function Panel(props: PanelProps) {
  const { name, treatment, chosen, onSay, onClose } = props;
  const active = treatment.plan.zones.filter((zone) => !treatment.zones[zone]?.ended);
  const zones = chosen.length > 0 ? chosen : active;
  const where = chosen.length > 0 ? chosen.map(zoneName).join(", ") : "whole face";
  const say = (fact: Fact) => {
    onSay(fact);
    onClose();
  };
  switch (name) {
    case "redness":
      return (
        <Frame title={`Redness, ${where}`} onClose={onClose}>
          {REDNESS.map((word, grade) => (
            <Button
              key={word}
              onClick={() =>
                say({
                  type: "RednessSeen",
                  grades: Object.fromEntries(zones.map((zone) => [zone, grade])),
                })
              }
            >
              {grade} {word}
            </Button>
          ))}
        </Frame>
      );
    case "whitening":
      return (
        <Frame title={`White, ${where}`} onClose={onClose}>
          {WHITE_KEYS.filter(({ id }) => id !== "CRYSTALS" || treatment.plan.mayCrystallise).map(
            ({ id, key }) => (
              <Button key={id} onClick={() => say({ type: "WhiteningSeen", zones, grade: id })}>
                <kbd>{key}</kbd> {WHITENING[id]}{" "}
                {id !== "NONE" && <small>{WHITENING_LOOKS[id]}</small>}
              </Button>
            ),
          )}
        </Frame>
      );
    case "wipe":
      return (
        <Frame title="Damp swab over the white" onClose={onClose}>
          <Button autoFocus onClick={() => say({ type: "WipeTested", cameOff: true })}>
            <kbd>c</kbd> comes off: crystals
          </Button>
          <Button onClick={() => say({ type: "WipeTested", cameOff: false })}>
            <kbd>s</kbd> stays: frost
          </Button>
        </Frame>
      );
    case "hot":
      return (
        <Frame
          title={chosen[0] ? `How hot, ${zoneName(chosen[0])}` : "Hot spot: tap the zone first"}
          onClose={onClose}
        >
          {chosen[0] &&
            Array.from({ length: 11 }, (_, value) => (
              <Button
                key={value}
                className={cx("narrow")}
                onClick={() => say({ type: "HotSpotFelt", zone: chosen[0]!, value })}
              >
                {value}
              </Button>
            ))}
        </Frame>
      );
    case "quality":
      return (
        <Frame title="What it is like" onClose={onClose}>
          {(Object.keys(QUALITIES) as Quality[]).map((quality) => (
            <Button key={quality} onClick={() => say({ type: "QualityTold", quality })}>
              {QUALITIES[quality]}
            </Button>
          ))}
        </Frame>
      );
    case "alarm":
      return (
        <Frame title="Seen or said" tight onClose={onClose}>
          {ALARMS.map((id) =>
            treatment.signs.includes(id) ? (
              <Button
                key={id}
                color="inherit"
                onClick={() => say({ type: "SignResolved", sign: id, note: "resolved" })}
              >
                {SIGNS[id]}: over
              </Button>
            ) : (
              <Button key={id} color="error" onClick={() => say({ type: "SignSeen", sign: id })}>
                {SIGNS[id]}
              </Button>
            ),
          )}
        </Frame>
      );
    case "zone":
      return (
        <Frame
          title={chosen[0] ? chosen.map(zoneName).join(", ") : "Tap a zone, or z"}
          onClose={onClose}
        >
          {chosen[0] && <ZoneKeys zone={chosen[0]} treatment={treatment} onSay={say} />}
        </Frame>
      );
    case "note":
      return (
        <Words
          title="Note"
          button="Keep note"
          onClose={onClose}
          onWords={(text) => say({ type: "NoteWritten", text })}
        />
      );
    case "pass":
      return (
        <Words
          title="Going on against this: why"
          button="Go on"
          presets={REASONS}
          onClose={onClose}
          onWords={(reason) => props.row && say({ type: "AdviceDeclined", row: props.row, reason })}
        />
      );
    case "legend":
      return (
        <Frame title="On the face, and the keys" onClose={onClose}>
          <div className={cx("panel-help")} role="region" aria-label="Marks and keys" tabIndex={0}>
            <FaceLegend />
            <KeyHelp table={props.keys} />
          </div>
        </Frame>
      );
  }
}

function ZoneKeys({
  zone,
  treatment,
  onSay,
}: {
  zone: Zone;
  treatment: Treatment;
  onSay: (fact: Fact) => void;
}) {
  const spreading = treatment.layers.at(-1) && !treatment.layers.at(-1)?.coveredAt;
  return (
    <>
      {spreading && !treatment.zones[zone]?.reached && (
        <Button autoFocus onClick={() => onSay({ type: "ZoneReached", zone })}>
          covered
        </Button>
      )}
      {[1, 2, 3].map((grade) => (
        <Button
          key={grade}
          onClick={() => onSay({ type: "RednessSeen", grades: { [zone]: grade } })}
        >
          {REDNESS[grade]}
        </Button>
      ))}
      {(["F1", "F2", "F3"] as const).map((grade) => (
        <Button key={grade} onClick={() => onSay({ type: "WhiteningSeen", zones: [zone], grade })}>
          white {grade}
        </Button>
      ))}
      <Button onClick={() => onSay({ type: "WorkedIn", zone })}>worked in</Button>
      {treatment.layers.length > 0 && !treatment.zones[zone]?.ended && (
        <Button color="error" onClick={() => onSay({ type: "ZoneEnded", zone })}>
          end this zone
        </Button>
      )}
    </>
  );
}

function Frame({
  title,
  tight,
  onClose,
  children,
}: {
  title: string;
  tight?: boolean;
  onClose: () => void;
  children: ReactNode;
}) {
  return (
    <div className={cx("panel", { tight })} role="group" aria-label={title}>
      <div className="row">
        <h2 className="grow">{title}</h2>
        <button type="button" className={cx("close")} onClick={onClose}>
          close <kbd>Esc</kbd>
        </button>
      </div>
      <div className={cx("panel-keys")}>{children}</div>
    </div>
  );
}

function Words({
  title,
  button,
  presets = [],
  onWords,
  onClose,
}: {
  title: string;
  button: string;
  presets?: string[];
  onWords: (text: string) => void;
  onClose: () => void;
}) {
  const [text, setText] = useState("");
  function submit(event: FormEvent) {
    event.preventDefault();
    if (text.trim()) onWords(text.trim());
  }
  return (
    <Frame title={title} onClose={onClose}>
      {presets.map((preset) => (
        <Button key={preset} onClick={() => onWords(preset)}>
          {preset}
        </Button>
      ))}
      <form onSubmit={submit} className={cx("words")}>
        <TextField
          autoFocus
          label={title}
          value={text}
          onChange={(e) => setText(e.target.value)}
          slotProps={{ htmlInput: { maxLength: 500 } }}
        />
        <Button type="submit" disabled={!text.trim()}>
          {button}
        </Button>
      </form>
    </Frame>
  );
}

/** The keys of an open panel; while it is open no other key answers in its place. */
export function panelKeys(
  name: PanelName,
  treatment: Treatment,
  chosen: Zone[],
  say: (fact: Fact) => void,
): KeyBinding[] {
  const active = treatment.plan.zones.filter((zone) => !treatment.zones[zone]?.ended);
  const zones = chosen.length > 0 ? chosen : active;
  switch (name) {
    case "redness":
      return REDNESS.map((word, grade) => ({
        on: String(grade),
        says: word,
        does: () =>
          say({
            type: "RednessSeen",
            grades: Object.fromEntries(zones.map((zone) => [zone, grade])),
          }),
      }));
    case "whitening":
      return WHITE_KEYS.filter(({ id }) => id !== "CRYSTALS" || treatment.plan.mayCrystallise).map(
        ({ id, key }) => ({
          on: key,
          says: WHITENING[id],
          does: () => say({ type: "WhiteningSeen", zones, grade: id }),
        }),
      );
    case "wipe":
      return [
        { on: "c", says: "comes off", does: () => say({ type: "WipeTested", cameOff: true }) },
        { on: "s", says: "stays", does: () => say({ type: "WipeTested", cameOff: false }) },
      ];
    case "hot": {
      const zone = chosen[0];
      if (!zone) return [];
      const felt = (value: number) => say({ type: "HotSpotFelt", zone, value });
      return [
        { on: "0-9", says: "how hot it is", does: (key) => felt(Number(key)) },
        { on: "t", says: "ten", does: () => felt(10) },
      ];
    }
    case "quality":
    case "note":
    case "alarm":
    case "pass":
    case "zone":
    case "legend":
      return [];
  }
}
