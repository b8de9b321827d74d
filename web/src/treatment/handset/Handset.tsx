import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { type FormEvent, useCallback, useEffect, useMemo, useState } from "react";
import { api, body } from "../../api/client";
import type { Fact, HandsetState, Zone } from "../../api/types";
import { FaceMap } from "../../parts/FaceMap";
import { figureOf } from "../../parts/figures";
import { steadyNow } from "../../parts/steadyNow";
import { useKeys } from "../../parts/useKeys";
import { useNow } from "../../parts/useNow";
import { speak } from "../couch/speak";
import { useClientCues } from "../couch/useClientCues";
import { wordsFor } from "./words";
import styles from "./Handset.module.css";

const cx = classNames.bind(styles);

/** The client's own phone: a number, a spot, stop; it shows the first name and nothing else. */
export default function Handset() {
  const words = wordsFor(navigator.language);
  const [state, setState] = useState<HandsetState | null>(null);
  const [why, setWhy] = useState("");
  const look = useCallback(async () => {
    try {
      setState(body(await api.GET("/api/handset")));
      setWhy("");
    } catch (problem) {
      setState(null);
      setWhy((problem as Error).message);
    }
  }, []);
  const enter = useCallback(async (code: string) => {
    try {
      setState(body(await api.POST("/api/handset", { body: { code } })));
      setWhy("");
    } catch (problem) {
      setWhy((problem as Error).message);
    }
  }, []);
  useEffect(() => {
    const code = window.location.hash.slice(1);
    window.history.replaceState(null, "", "/handset");
    // The page's own token first, which a write needs.
    void api.GET("/api/session").then(() => (code ? enter(code) : look()));
  }, [enter, look]);
  useFollow(state !== null, look);
  return (
    <main className={cx("handset")} lang={navigator.language}>
      {state ? (
        <Asked state={state} onState={setState} onLook={look} />
      ) : (
        <Code why={why} label={words.code} button={words.enter} onCode={enter} />
      )}
    </main>
  );
}

/** Asks anew when the couch has moved on. */
function useFollow(on: boolean, look: () => void) {
  useEffect(() => {
    if (!on) return;
    const stream = new EventSource("/api/handset/stream");
    stream.addEventListener("changed", look);
    return () => stream.close();
  }, [on, look]);
}

function Code({
  why,
  label,
  button,
  onCode,
}: {
  why: string;
  label: string;
  button: string;
  onCode: (code: string) => void;
}) {
  const [code, setCode] = useState("");
  function submit(event: FormEvent) {
    event.preventDefault();
    onCode(code);
  }
  return (
    <form onSubmit={submit} className={cx("code")}>
      <h1>ivesk</h1>
      {why && <p role="alert">{why}</p>}
      <TextField
        label={label}
        value={code}
        onChange={(e) => setCode(e.target.value.toUpperCase())}
        slotProps={{
          htmlInput: { maxLength: 6, autoComplete: "off", autoCapitalize: "characters" },
        }}
      />
      <Button type="submit" variant="contained" disabled={code.length !== 6}>
        {button}
      </Button>
    </form>
  );
}

/** How long a clicker may pause within a number, milliseconds. */
const PAUSE = 1500;

function Asked({
  state,
  onState,
  onLook,
}: {
  state: HandsetState;
  onState: (state: HandsetState) => void;
  onLook: () => void;
}) {
  const words = wordsFor(navigator.language);
  const offset = useMemo(() => Date.parse(state.serverNow) - steadyNow(), [state.serverNow]);
  const now = useNow(offset, 500);
  const [zone, setZone] = useState<Zone | "which" | null>(null);
  const [heard, setHeard] = useState("");
  const [aloud, setAloud] = useState(true);
  const [clicks, setClicks] = useState(0);

  const say = useCallback(
    async (fact: Fact, then: string) => {
      const id = crypto.randomUUID();
      for (;;) {
        try {
          onState(body(await api.POST("/api/handset/said", { body: { id, fact } })));
          setHeard(then);
          return;
        } catch (problem) {
          if ("status" in (problem as object)) {
            setHeard((problem as Error).message);
            onLook();
            return;
          }
          setHeard(words.notHeard);
          await new Promise((done) => window.setTimeout(done, 1000));
        }
      }
    },
    [onLook, onState, words],
  );
  const number = useCallback(
    (value: number) => {
      void say(
        zone && zone !== "which"
          ? { type: "HotSpotFelt", zone, value }
          : { type: "SensationAnswered", value },
        words.heard(value),
      );
      setZone(null);
    },
    [say, words, zone],
  );
  const stop = () => void say({ type: "SignSeen", sign: "ASKS_TO_STOP" }, words.stopped);

  // A clicker has one key: as many clicks as the number, said after a pause.
  useEffect(() => {
    if (clicks === 0) return;
    const timer = window.setTimeout(() => {
      number(Math.min(10, clicks));
      setClicks(0);
    }, PAUSE);
    return () => window.clearTimeout(timer);
  }, [clicks, number]);
  const click = () => setClicks((was) => was + 1);
  useKeys([
    { on: "pedal", says: words.clicker, does: click },
    { on: "Enter", says: words.clicker, does: click },
  ]);
  useClientCues(
    state.cues,
    now,
    useCallback(
      (said: keyof typeof words.cues) => {
        setHeard(words.cues[said]);
        if (aloud) speak(words.cues[said]);
      },
      [aloud, words],
    ),
  );
  const two = state.cues.find(({ said }) => said === "TWO_MINUTES_LEFT");
  return (
    <>
      <header>
        <b>{words.hello(state.firstName)}</b>
        <label>
          <input type="checkbox" checked={aloud} onChange={(e) => setAloud(e.target.checked)} />{" "}
          {words.aloud}
        </label>
      </header>
      <h1>{zone ? words.howHot : words.how}</h1>
      {zone === "which" ? (
        <div className={cx("face")}>
          <FaceMap
            zones={Object.fromEntries(state.zones.map((one) => [one, { covered: true }]))}
            figure={figureOf(state.zones[0])}
            crop="neck"
            label={words.hot}
            onPick={setZone}
          />
        </div>
      ) : (
        <div className={cx("eleven")} role="group" aria-label={words.how}>
          {Array.from({ length: 11 }, (_, value) => (
            <button
              key={value}
              type="button"
              className={cx((clicks || state.told) === value && "told")}
              onClick={() => number(value)}
            >
              <b>{value}</b>
              {value === 0 && <small>{words.nothing}</small>}
              {value === 10 && <small>{words.most}</small>}
            </button>
          ))}
        </div>
      )}
      <p role="status" className={cx("heard")}>
        {heard || (two && Date.parse(two.at) <= now && words.cues.TWO_MINUTES_LEFT) || "\u00a0"}
      </p>
      <Button color="inherit" variant="outlined" onClick={() => setZone(zone ? null : "which")}>
        {zone ? words.back : words.hot}
      </Button>
      <button type="button" className={cx("stop")} onClick={stop}>
        {words.stop}
      </button>
    </>
  );
}
