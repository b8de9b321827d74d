import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { type FormEvent, type ReactNode, useEffect, useRef, useState } from "react";
import type { Fact, Row, Treatment, Zone } from "../../api/types";
import { FaceLegend } from "../../parts/FaceMap";
import { KeyHelp } from "../../parts/KeyHelp";
import type { KeyBinding } from "../../parts/useKeys";
import { zoneName } from "../../parts/words";
import { ClientAsks } from "./ClientAsks";
import { CuesPanel } from "./CuesPanel";
import { HandsetCode } from "./HandsetCode";
import { Incident } from "./Incident";
import { Correct } from "./Correct";
import { Delivered } from "./Delivered";
import { Why } from "./Why";
import { besideOf, options, owed, type PanelName, placeOf } from "./panels";
import { BesideZones } from "./Beside";
import styles from "./Panels.module.css";

const cx = classNames.bind(styles);

interface PanelProps {
  name: PanelName;
  treatment: Treatment;
  /** Zones that were chosen on the figure; none means all that carry acid. */
  chosen: Zone[];
  /** Of the advice that may be gone against. */
  row: Row | undefined;
  /** Of the screen behind it. */
  keys: KeyBinding[];
  onSay: (fact: Fact) => void;
  onOpen: (name: PanelName) => void;
  onClose: () => void;
}

const REASONS = ["falling already", "client wants to go on", "one zone only, watched"];

/** What is being entered; it takes the place of the row of keys until it is done. */
export function Panel({ name, treatment, chosen, row, keys, onSay, onOpen, onClose }: PanelProps) {
  const say = (fact: Fact) => {
    onSay(fact);
    onClose();
  };
  if (name === "legend") {
    return (
      <Frame title="On the figure, and the keys" onClose={onClose}>
        <div className={cx("panel-help")} role="region" aria-label="Marks and keys" tabIndex={0}>
          <FaceLegend />
          <KeyHelp table={keys} />
        </div>
      </Frame>
    );
  }
  const offered = options(name, treatment, chosen);
  return (
    <Frame title={titleOf(name, treatment, chosen)} onClose={onClose}>
      {offered.map(({ on, says, more, grave, fact }) => (
        <Button key={on} color={grave ? "error" : "primary"} onClick={() => say(fact)}>
          <kbd>{on}</kbd> {says} {more && <small>{more}</small>}
        </Button>
      ))}
      {name === "beside" && <BesideZones treatment={treatment} onSay={onSay} />}
      {name === "note" && (
        <>
          <Words
            label="Note"
            button="Keep note"
            onWords={(text) => say({ type: "NoteWritten", text })}
          />
          <Button color="inherit" onClick={() => onOpen("correct")}>
            Correct an entry
          </Button>
          <Button color="inherit" onClick={() => onOpen("asks")}>
            The client asks
          </Button>
          <Button color="inherit" onClick={() => onOpen("incident")}>
            Incident form
          </Button>
          <Button color="inherit" onClick={() => onOpen("cues")}>
            Sound and voice
          </Button>
          {treatment.handset && (
            <Button color="inherit" onClick={() => onOpen("handset")}>
              Client&apos;s handset
            </Button>
          )}
        </>
      )}
      {name === "correct" && <Correct treatment={treatment} onSay={say} />}
      {name === "why" && (
        <Words
          label="Ended sooner, because"
          button="Keep"
          onWords={(reason) => say({ type: "EarlyEndExplained", reason })}
        />
      )}
      {name === "cues" && <CuesPanel />}
      {name === "asks" && <ClientAsks visitId={treatment.visitId} />}
      {name === "incident" && <Incident treatment={treatment} chosen={chosen} onSay={say} />}
      {name === "handset" && <HandsetCode treatment={treatment} />}
      {name === "row" && <Why treatment={treatment} row={row} />}
      {name === "volume" && <Delivered treatment={treatment} onSay={say} />}
      {name === "base" && (
        <Words
          label="Or go on with this layer, because"
          button="Go on"
          onWords={(reason) => say({ type: "BaseOutrunPassed", reason })}
        />
      )}
      {name === "pass" &&
        row &&
        REASONS.map((reason) => (
          <Button key={reason} onClick={() => say({ type: "AdviceDeclined", row, reason })}>
            {reason}
          </Button>
        ))}
      {name === "pass" && row && (
        <Words
          label="Why"
          button="Go on"
          onWords={(reason) => say({ type: "AdviceDeclined", row, reason })}
        />
      )}
    </Frame>
  );
}

function titleOf(name: PanelName, treatment: Treatment, chosen: Zone[]): string {
  switch (name) {
    case "redness":
      return `Redness, ${placeOf(treatment, chosen)}`;
    case "whitening":
      return `White, ${placeOf(treatment, chosen)}`;
    case "wipe":
      return `Damp swab over the white: ${owed(treatment, chosen).map(zoneName).join(", ")}`;
    case "hot":
      return chosen[0] ? `How hot, ${zoneName(chosen[0])}` : "Hot spot: tap the zone first, or z";
    case "quality":
      return "What it is like";
    case "response":
      return "Can the client answer";
    case "alarm":
      return "Seen or said";
    case "zone":
      return chosen[0] ? chosen.map(zoneName).join(", ") : "Tap a zone, or z";
    case "note":
      return "Note";
    case "correct":
      return "Which entry was wrong";
    case "why":
      return "Ended before its least time: why";
    case "pass":
      return "Going on against this: why";
    case "cues":
      return "Sound and voice of this device";
    case "asks":
      return "What clients ask, by this plan";
    case "incident":
      return "Incident: what was seen, done and told";
    case "handset":
      return "The client's own phone or clicker";
    case "row":
      return "Why: the row of the table, and what it was matched by";
    case "base":
      return "More base is laid out";
    case "volume":
      return "What this layer delivered";
    case "zoneRest":
      return chosen[0]
        ? `After its end, ${zoneName(chosen[0])}: how it feels`
        : "Tap the zone first";
    case "beside":
      return `How ${besideOf(treatment)?.where ?? "it"} feels now`;
    case "legend":
      return "Marks and keys";
  }
}

function Frame({
  title,
  onClose,
  children,
}: {
  title: string;
  onClose: () => void;
  children: ReactNode;
}) {
  const frame = useRef<HTMLDivElement>(null);
  // Where the screen scrolls, what was opened does not lie behind the keys that stay.
  useEffect(() => {
    frame.current?.scrollIntoView?.({ block: "nearest" });
  }, []);
  return (
    <div className={cx("panel")} ref={frame} role="group" aria-label={title}>
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

/** A few words of one's own. */
export function Words({
  label,
  button,
  onWords,
}: {
  label: string;
  button: string;
  onWords: (text: string) => void;
}) {
  const [text, setText] = useState("");
  function submit(event: FormEvent) {
    event.preventDefault();
    if (text.trim()) onWords(text.trim());
  }
  return (
    <form onSubmit={submit} className={cx("words")}>
      <TextField
        autoFocus
        label={label}
        value={text}
        onChange={(e) => setText(e.target.value)}
        slotProps={{ htmlInput: { maxLength: 500 } }}
      />
      <Button type="submit" disabled={!text.trim()}>
        {button}
      </Button>
    </form>
  );
}
