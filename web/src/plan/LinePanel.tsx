import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { STEP_KINDS } from "../api/enumWords";
import type { Run, ScriptLine, ScriptWords, Step, Zone } from "../api/types";
import { Chips } from "../parts/Chips";
import { CommitField } from "../parts/CommitField";
import { number } from "../parts/NumberField";
import { Segments } from "../parts/Segments";
import { Strip } from "../parts/Strip";
import { clock, secondsOf, zoneName } from "../parts/words";
import { type Change, whatOf } from "./script";
import styles from "./LinePanel.module.css";

const cx = classNames.bind(styles);

/** One line in full: how much, where, how long, before it, said, by whom. */
export function LinePanel({
  run,
  at,
  line,
  said,
  words,
  change,
  onPick,
}: {
  run: Run;
  at: number;
  line: number;
  said: ScriptLine | undefined;
  words: ScriptWords;
  change: (change: Change) => void;
  onPick: (line: number) => void;
}) {
  const step = run.steps[line];
  if (!step) return null;
  const edit = (fields: Partial<Step>) => change({ type: "edit", run: at, at: line, fields });
  const what = whatOf(step, words);
  const here = words.regions.find(({ id }) => id === run.region);
  // What is made for two regions of one figure may go on both in one run.
  const besides = words.regions.filter(
    ({ id }) => here?.besides.includes(id) && what?.kind === "ACID" && what.regions.includes(id),
  );
  const zones = [here, ...besides].flatMap((region) => region?.zones ?? []);
  const peel = step.peel !== undefined;
  const sooner: Partial<Record<Zone, number>> = step.earlierSeconds ?? {};
  return (
    <section aria-label={`Line ${line + 1}`} key={step.id}>
      <Strip title={`Line ${line + 1}`} code={STEP_KINDS[step.kind]} />
      <p className={cx("about")}>
        <b>{said?.words ?? what?.label}</b>
        {said?.mix && <span className="under">{said.mix}</span>}
        {said?.acidStep && !peel && <span className="under warn">counts as an acid step</span>}
      </p>
      <div className={cx("fields")}>
        {(peel || step.product) && (
          <CommitField
            label={peel ? "mL a layer" : `amount, ${what?.unit ?? ""}`}
            value={step.amount === undefined ? "" : String(step.amount)}
            helperText={peel ? "empty: by the area" : undefined}
            onCommit={(text) => amount(text, (value) => edit({ amount: value }))}
          />
        )}
        <Time
          label="time"
          seconds={step.plannedSeconds}
          onSet={(plannedSeconds) => edit({ plannedSeconds })}
        />
        {peel && (
          <>
            <CommitField
              label="layers"
              value={String(step.layers)}
              onCommit={(text) =>
                layers(text, (n) =>
                  edit({ layers: n, layersAtMost: Math.max(n, step.layersAtMost) }),
                )
              }
            />
            <CommitField
              label="at most"
              value={String(step.layersAtMost)}
              onCommit={(text) =>
                layers(text, (m) => edit({ layersAtMost: m, layers: Math.min(step.layers, m) }))
              }
            />
            <CommitField
              label="spread within, s"
              value={step.spreadSeconds === undefined ? "" : String(step.spreadSeconds)}
              onCommit={(text) => amount(text, (value) => edit({ spreadSeconds: value }))}
            />
          </>
        )}
        {!peel && (
          <>
            <Time
              label="at least"
              seconds={step.leastSeconds}
              onSet={(leastSeconds) => edit({ leastSeconds })}
            />
            <Time
              label="at most"
              seconds={step.mostSeconds}
              onSet={(mostSeconds) => edit({ mostSeconds })}
            />
          </>
        )}
      </div>
      <div className={cx("asked")}>
        <span className="small soft">before it</span>
        <Segments
          label="Gate before it"
          value={step.gate ?? "NONE"}
          options={[
            { id: "NONE", label: "nothing" },
            ...words.gates.map((gate) => ({ id: gate.id, label: gate.label })),
          ]}
          onChange={(gate) => edit({ gate: gate === "NONE" ? undefined : gate })}
        />
        {step.gate && (
          <span className="small soft">
            {words.gates.find((gate) => gate.id === step.gate)?.asks}
          </span>
        )}
      </div>
      <div className={cx("asked")}>
        <span className="small soft">where; none named is all</span>
        <Chips
          label="Zones"
          options={zones}
          chosen={step.zones}
          onChange={(chosen) =>
            edit({ zones: chosen, earlierSeconds: among(step.earlierSeconds, chosen) })
          }
        />
      </div>
      {peel && (
        <div className={cx("asked")}>
          <span className="small soft">comes off sooner than the rest</span>
          <Chips
            label="Sooner"
            options={zones.filter(({ id }) => step.zones.length === 0 || step.zones.includes(id))}
            chosen={Object.keys(sooner) as Zone[]}
            onChange={(chosen) =>
              edit({
                earlierSeconds: Object.fromEntries(
                  chosen.map((zone) => [zone, sooner[zone] ?? half(step)]),
                ),
              })
            }
          />
          {Object.entries(sooner).map(([zone, seconds]) => (
            <Time
              key={zone}
              label={zoneName(zone as Zone)}
              seconds={seconds}
              onSet={(time) => {
                const others = Object.entries(sooner).filter(([other]) => other !== zone);
                edit({
                  earlierSeconds: Object.fromEntries(
                    time === undefined ? others : [...others, [zone, time]],
                  ),
                });
              }}
            />
          ))}
        </div>
      )}
      <div className={cx("texts")}>
        <TextField
          label="said to the client before it"
          multiline
          value={step.said}
          slotProps={{ htmlInput: { maxLength: 300 } }}
          onChange={(e) => edit({ said: e.target.value })}
        />
        <TextField
          label="order and strokes"
          value={step.strokes}
          slotProps={{ htmlInput: { maxLength: 120 } }}
          onChange={(e) => edit({ strokes: e.target.value })}
        />
        <TextField
          label="applicator"
          value={step.applicator}
          slotProps={{ htmlInput: { maxLength: 60 } }}
          onChange={(e) => edit({ applicator: e.target.value })}
        />
        <TextField
          label="done when"
          value={step.doneSign}
          slotProps={{ htmlInput: { maxLength: 120 } }}
          onChange={(e) => edit({ doneSign: e.target.value })}
        />
      </div>
      <div className={cx("asked")}>
        <Segments
          label="Who may do it"
          value={step.who}
          options={[
            { id: "THERAPIST", label: "therapist" },
            { id: "CLINICIAN", label: "clinician" },
          ]}
          onChange={(who) => edit({ who })}
        />
      </div>
      <div className={cx("moves")}>
        <Button
          size="small"
          disabled={line === 0}
          onClick={() => {
            change({ type: "move", run: at, at: line, by: -1 });
            onPick(line - 1);
          }}
        >
          Up
        </Button>
        <Button
          size="small"
          disabled={line === run.steps.length - 1}
          onClick={() => {
            change({ type: "move", run: at, at: line, by: 1 });
            onPick(line + 1);
          }}
        >
          Down
        </Button>
        <Button
          size="small"
          onClick={() => {
            change({ type: "duplicate", run: at, at: line });
            onPick(line + 1);
          }}
        >
          Twice
        </Button>
        <Button
          size="small"
          color="inherit"
          onClick={() => {
            change({ type: "remove", run: at, at: line });
            onPick(Math.max(0, line - 1));
          }}
        >
          Take out
        </Button>
      </div>
    </section>
  );
}

/** Where nothing is said, a zone comes off after half the time of the rest. */
function half(step: Step): number {
  return Math.max(30, Math.round((step.plannedSeconds ?? 120) / 2));
}

function among(sooner: Step["earlierSeconds"], zones: Zone[]): Step["earlierSeconds"] {
  if (sooner === undefined || zones.length === 0) return sooner;
  return Object.fromEntries(
    Object.entries(sooner).filter(([zone]) => zones.includes(zone as Zone)),
  );
}

function Time({
  label,
  seconds,
  onSet,
}: {
  label: string;
  seconds: number | undefined;
  onSet: (seconds: number | undefined) => void;
}) {
  return (
    <CommitField
      label={`${label}, min:s`}
      value={seconds === undefined ? "" : clock(seconds * 1000)}
      onCommit={(text) => {
        if (text.trim() === "") {
          onSet(undefined);
          return Promise.resolve();
        }
        const read = secondsOf(text) ?? wholeMinutes(text);
        if (read === undefined) return refused(`“${text}” is no time; it looks like 2:30`);
        if (read < 1 || read > 10_800)
          return refused(`${text} is not possible; 0:01 to 180:00 are`);
        onSet(read);
        return Promise.resolve();
      }}
    />
  );
}

function wholeMinutes(text: string): number | undefined {
  const value = number(text);
  return value === null ? undefined : Math.round(value * 60);
}

function amount(text: string, set: (value: number | undefined) => void): Promise<void> {
  if (text.trim() === "") {
    set(undefined);
    return Promise.resolve();
  }
  const value = number(text);
  if (value === null) return refused(`“${text}” is no number`);
  if (value < 0.01 || value > 1000) return refused(`${text} is not possible; 0.01 to 1,000 are`);
  set(value);
  return Promise.resolve();
}

function layers(text: string, set: (value: number) => void): Promise<void> {
  const value = number(text);
  if (value === null || !Number.isInteger(value) || value < 1 || value > 9) {
    return refused(`“${text}” is not possible; 1 to 9 are`);
  }
  set(value);
  return Promise.resolve();
}

function refused(why: string): Promise<void> {
  return Promise.reject(new Error(why));
}
