import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { api, body } from "../api/client";
import { REGIONS } from "../api/enumWords";
import type { Judged, Region, Run } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { KeyHelp } from "../parts/KeyHelp";
import { Strip } from "../parts/Strip";
import { plural } from "../parts/words";
import { LinePanel } from "./LinePanel";
import { protocolQuery, protocolsQuery, regionFormulasQuery, scriptWordsQuery } from "./queries";
import type { Change, Writing } from "./script";
import { ScriptEditor } from "./ScriptEditor";
import { useScriptKeys } from "./useScriptKeys";
import styles from "./StepsOfVisit.module.css";

const cx = classNames.bind(styles);

/** The runs of a visit line by line: by hand, from a protocol, region after region. */
export function StepsOfVisit({
  visitId,
  writing,
  judged,
  picked,
  onPick,
  change,
  children,
}: {
  visitId: string;
  writing: Writing;
  judged: Judged;
  picked: { run: number; line: number };
  onPick: (picked: { run: number; line: number }) => void;
  change: (change: Change) => void;
  children: ReactNode;
}) {
  const words = useQuery(scriptWordsQuery);
  const [adding, setAdding] = useState(false);
  const [helping, setHelping] = useState(false);
  const [side, setSide] = useState<"line" | "all">("all");
  const pick = (run: number) => (line: number) => {
    onPick({ run, line });
    setSide("line");
  };
  const keys = useScriptKeys({
    runs: writing.runs,
    at: picked.run,
    picked: picked.line,
    setPicked: pick(picked.run),
    change,
    onAdd: () => setAdding(true),
    onHelp: () => setHelping((was) => !was),
  });
  if (!words.data) return <ErrorNote error={words.error} />;
  const run = writing.runs[picked.run];
  return (
    <div className={cx("columns", "steps-columns")}>
      <section aria-label="Steps of the visit" tabIndex={0}>
        {writing.runs.map((one, i) => (
          <div key={one.region}>
            <RunHead
              visitId={visitId}
              run={one}
              only={writing.runs.length === 1}
              onRun={(fresh) =>
                change({
                  type: "runs",
                  runs: writing.runs.map((other, j) => (i === j ? fresh : other)),
                })
              }
              onOut={() => {
                change({ type: "runs", runs: writing.runs.toSpliced(i, 1) });
                onPick({ run: 0, line: 0 });
              }}
            />
            <ScriptEditor
              run={one}
              at={i}
              judged={judged}
              words={words.data}
              picked={picked.run === i ? picked.line : -2}
              adding={adding && picked.run === i}
              onPick={pick(i)}
              onAdding={setAdding}
              change={change}
            />
          </div>
        ))}
        <div className="pad-small row wrap">
          <Button onClick={() => setAdding(true)}>
            <kbd>/</kbd> Add a line
          </Button>
          {writing.runs.length < 4 && (
            <AddRegion
              visitId={visitId}
              runs={writing.runs}
              onAdd={(fresh) => {
                change({ type: "runs", runs: [...writing.runs, fresh] });
                onPick({ run: writing.runs.length, line: 0 });
              }}
            />
          )}
          <Button color="inherit" aria-expanded={helping} onClick={() => setHelping(!helping)}>
            <kbd>?</kbd> Keys
          </Button>
        </div>
        {helping && <KeyHelp table={keys} />}
      </section>
      <section
        className={cx("side", side === "line" && "line-side")}
        aria-label="The line, and what it comes to"
        tabIndex={0}
      >
        <div className={cx("sides")}>
          <Button
            size="small"
            aria-pressed={side === "all"}
            variant={side === "all" ? "contained" : "outlined"}
            onClick={() => setSide("all")}
          >
            What it comes to
          </Button>
          <Button
            size="small"
            aria-pressed={side === "line"}
            variant={side === "line" ? "contained" : "outlined"}
            onClick={() => setSide("line")}
          >
            The line
          </Button>
        </div>
        {side === "line" && run ? (
          <div className={cx("line-alone")}>
            <LinePanel
              key={run.steps[picked.line]?.id}
              run={run}
              at={picked.run}
              line={picked.line}
              said={judged.runs[picked.run]?.lines.find(
                (one) => one.id === run.steps[picked.line]?.id,
              )}
              words={words.data}
              change={change}
              onPick={pick(picked.run)}
            />
          </div>
        ) : null}
        <div className={cx(side === "line" ? "only-foot" : "whole-side")}>{children}</div>
      </section>
    </div>
  );
}

/** Which region, where its steps come from, and another source for them. */
function RunHead({
  visitId,
  run,
  only,
  onRun,
  onOut,
}: {
  visitId: string;
  run: Run;
  only: boolean;
  onRun: (run: Run) => void;
  onOut: () => void;
}) {
  const queries = useQueryClient();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const protocols = useQuery({ ...protocolsQuery, enabled: anchor !== null });
  const take = useMutation({
    mutationFn: async (id: string) => {
      const one = await queries.fetchQuery(protocolQuery(id));
      return {
        region: run.region,
        protocol: { id, version: one.version, name: one.sheet.name },
        steps: one.sheet.steps,
      };
    },
    onSuccess: onRun,
  });
  const compose = useCompose(visitId, onRun);
  const peel = run.steps.find((step) => step.peel)?.peel;
  const here = protocols.data?.filter((one) => one.region === run.region) ?? [];
  return (
    <>
      <Strip
        title={REGIONS[run.region]}
        code={
          run.protocol
            ? `${run.protocol.name}, version ${run.protocol.version}`
            : plural(run.steps.length, "line")
        }
      />
      <div className={cx("run-head")}>
        <Button size="small" onClick={(e) => setAnchor(e.currentTarget)}>
          From a protocol
        </Button>
        {peel && (
          <Button
            size="small"
            color="inherit"
            onClick={() => compose.mutate({ region: run.region, formula: peel })}
          >
            Compose anew
          </Button>
        )}
        {!only && (
          <Button size="small" color="inherit" onClick={onOut}>
            Leave the region out
          </Button>
        )}
        <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
          {here.map((one) => (
            <MenuItem
              key={one.id}
              onClick={() => {
                setAnchor(null);
                take.mutate(one.id);
              }}
            >
              {one.name}, {one.minutes} min
            </MenuItem>
          ))}
          {protocols.data && here.length === 0 && (
            <MenuItem disabled>No protocol is written for this region</MenuItem>
          )}
        </Menu>
      </div>
      <ErrorNote error={take.error ?? compose.error} />
    </>
  );
}

function useCompose(visitId: string, onRun: (run: Run) => void) {
  return useMutation({
    mutationFn: async ({ region, formula }: { region: Region; formula: string }) =>
      body(
        await api.POST("/api/visits/{id}/regions/{region}/run", {
          params: { path: { id: visitId, region } },
          body: { formula },
        }),
      ),
    onSuccess: onRun,
  });
}

/** Another region in the same visit: first where, then with what. */
function AddRegion({
  visitId,
  runs,
  onAdd,
}: {
  visitId: string;
  runs: Run[];
  onAdd: (run: Run) => void;
}) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [region, setRegion] = useState<Region | null>(null);
  const formulas = useQuery({
    ...regionFormulasQuery(visitId, region ?? "FACE"),
    enabled: region !== null,
  });
  const compose = useCompose(visitId, (run) => {
    close();
    onAdd(run);
  });
  function close() {
    setAnchor(null);
    setRegion(null);
  }
  const taken = runs.map((run) => run.region);
  const open = formulas.data?.filter((one) => one.why === undefined) ?? [];
  return (
    <>
      <Button onClick={(e) => setAnchor(e.currentTarget)}>Add a region</Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={close}>
        {region === null
          ? (Object.keys(REGIONS) as Region[])
              .filter((one) => !taken.includes(one))
              .map((one) => (
                <MenuItem key={one} onClick={() => setRegion(one)}>
                  {REGIONS[one]}
                </MenuItem>
              ))
          : [
              <MenuItem key="where" disabled>
                {REGIONS[region]}, with
              </MenuItem>,
              ...open.map((one) => (
                <MenuItem
                  key={one.code}
                  onClick={() => compose.mutate({ region, formula: one.code })}
                >
                  {one.code}, {one.name}
                </MenuItem>
              )),
              ...(formulas.data && open.length === 0
                ? [
                    <MenuItem key="none" disabled>
                      Nothing is open there today
                      {formulas.data[0]?.why && `: ${formulas.data[0].why}`}
                    </MenuItem>,
                  ]
                : []),
            ]}
      </Menu>
      <ErrorNote error={compose.error} />
    </>
  );
}
