import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import { type Dispatch, type SetStateAction, useEffect, useState } from "react";
import styles from "./Ready.module.css";

const cx = classNames.bind(styles);

/**
 * What the client is told, line by line: each is ticked when it was said, by the key or by reading
 * aloud, and the step is done when all are.
 */
export function Briefing({
  lines,
  said,
  done,
  onSaid,
  onNext,
}: {
  lines: string[];
  said: string[];
  done: boolean;
  onSaid: Dispatch<SetStateAction<string[]>>;
  /** Ticks the next line, or ends the step. */
  onNext: () => void;
}) {
  const [reading, setReading] = useState(false);
  const voice = typeof window.speechSynthesis === "undefined" ? undefined : window.speechSynthesis;
  useEffect(() => () => voice?.cancel(), [voice]);
  const unsaid = lines.find((line) => !said.includes(line));
  const tick = (line: string, told: boolean) =>
    onSaid((was) => (told ? [...was, line] : was.filter((one) => one !== line)));
  function read() {
    if (!voice) return;
    voice.cancel();
    if (reading) {
      setReading(false);
      return;
    }
    setReading(true);
    lines.forEach((line, i) => {
      const words = new SpeechSynthesisUtterance(line);
      words.lang = "en";
      words.onend = () => {
        tick(line, true);
        if (i === lines.length - 1) setReading(false);
      };
      voice.speak(words);
    });
  }
  return (
    <>
      <h1>Say each line</h1>
      <ul className={cx("briefing")} aria-label="What is told">
        {lines.map((line) => (
          <li key={line}>
            <label className={cx(line === unsaid && "now")}>
              <input
                type="checkbox"
                checked={said.includes(line)}
                disabled={done}
                onChange={(e) => tick(line, e.target.checked)}
              />
              {line}
            </label>
          </li>
        ))}
      </ul>
      <div className="row">
        <Button variant="contained" autoFocus disabled={done} onClick={onNext}>
          {done
            ? "Done"
            : unsaid === undefined
              ? "All lines said, next"
              : `Said, line ${lines.indexOf(unsaid) + 1} of ${lines.length}`}
        </Button>
        {voice && (
          <Button color="inherit" aria-pressed={reading} onClick={read}>
            {reading ? "Stop reading" : "Read it aloud"}
          </Button>
        )}
      </div>
    </>
  );
}
