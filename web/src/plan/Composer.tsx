import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useReducer, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { api, body, Problem } from "../api/client";
import type { ScriptWords, Sheet } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { KeyHelp } from "../parts/KeyHelp";
import { Ribbon } from "../parts/Ribbon";
import { ribbonOfSteps } from "../parts/ribbonModel";
import { Strip } from "../parts/Strip";
import { todayQuery } from "../parts/today";
import { dayOfYear, decimal, plural } from "../parts/words";
import { type Draft, draftOf, dropDraft, keepDraft } from "./draft";
import { LinePanel } from "./LinePanel";
import { judgedQuery, protocolQuery, protocolsQuery, scriptWordsQuery } from "./queries";
import { begin, changed } from "./script";
import { RibbonHands } from "./RibbonHands";
import { ScriptEditor } from "./ScriptEditor";
import { Versions } from "./Versions";
import { useScriptKeys } from "./useScriptKeys";
import styles from "./Composer.module.css";

const cx = classNames.bind(styles);

const BLANK: Sheet = { name: "", region: "FACE", steps: [] };

/** A written sheet, composed line by line. */
export default function Composer() {
  const id = useParams().protocolId!;
  const words = useQuery(scriptWordsQuery);
  const kept = useQuery({
    ...protocolQuery(id),
    retry: (n, error) => !(error instanceof Problem) && n < 3,
  });
  const isNew = kept.error instanceof Problem && kept.error.status === 404;
  if (!words.data || (!kept.data && !isNew)) {
    return (
      <main className="pad">
        <ErrorNote error={words.error ?? kept.error} />
      </main>
    );
  }
  const draft = draftOf(id);
  const start: Draft = draft ?? {
    sheet: kept.data?.sheet ?? BLANK,
    over: kept.data && !kept.data.retired ? kept.data.version : 0,
  };
  return (
    <Writer
      key={id}
      id={id}
      start={start}
      fromDraft={draft !== undefined}
      current={kept.data && !kept.data.retired ? kept.data.version : 0}
      words={words.data}
    />
  );
}

function Writer({
  id,
  start,
  fromDraft,
  current,
  words,
}: {
  id: string;
  start: Draft;
  fromDraft: boolean;
  current: number;
  words: ScriptWords;
}) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [name, setName] = useState(start.sheet.name);
  const [over, setOver] = useState(start.over);
  const [writing, change] = useReducer(
    changed,
    begin([{ region: start.sheet.region, steps: start.sheet.steps }]),
  );
  const [touched, setTouched] = useState(fromDraft);
  const [picked, setPicked] = useState(start.sheet.steps.length > 0 ? 0 : -1);
  const [adding, setAdding] = useState(start.sheet.steps.length === 0);
  const [helping, setHelping] = useState(false);
  const [visit, setVisit] = useState<{ id: string; name: string } | null>(null);
  const run = writing.runs[0]!;
  const sheet = useMemo<Sheet>(
    () => ({ name, region: run.region, steps: run.steps }),
    [name, run.region, run.steps],
  );
  const judged = useQuery(judgedQuery(writing.runs, visit?.id));
  const dirty = touched || writing.before.length > 0 || name !== start.sheet.name;

  // What is typed is kept on this device until it is kept for the practice.
  useEffect(() => {
    if (dirty) keepDraft(id, { sheet, over });
  }, [id, sheet, over, dirty]);

  const keep = useMutation({
    mutationFn: async () =>
      body(
        await api.PUT("/api/protocols/{id}", {
          params: { path: { id } },
          body: { sheet, over },
        }),
      ),
    onSuccess: async (fresh) => {
      dropDraft(id);
      setTouched(false);
      setOver(fresh.version);
      change({ type: "reset", runs: [{ region: fresh.sheet.region, steps: fresh.sheet.steps }] });
      queries.setQueryData(protocolQuery(id).queryKey, fresh);
      await queries.invalidateQueries({ queryKey: protocolsQuery.queryKey, exact: true });
    },
  });
  const retire = useMutation({
    mutationFn: async () =>
      body(await api.DELETE("/api/protocols/{id}", { params: { path: { id } } })),
    onSuccess: async (all) => {
      dropDraft(id);
      queries.setQueryData(protocolsQuery.queryKey, all);
      await navigate("/practice/protocols");
    },
  });

  const keys = useScriptKeys({
    runs: writing.runs,
    at: 0,
    picked,
    setPicked,
    change,
    onAdd: () => setAdding(true),
    onHelp: () => setHelping((was) => !was),
  });

  const objections = judged.data?.objections ?? [];
  const shut = objections.filter((one) => one.severity === "SHUT").length;
  const line = judged.data?.runs[0]?.lines.find((one) => one.id === run.steps[picked]?.id);
  const stale = current > over;
  return (
    <main className={cx("composer")}>
      <h1 className="hidden">{name || "A new sheet"}</h1>
      <header className={cx("composer-top")}>
        <TextField
          className={cx("name")}
          label="Name of the sheet"
          value={name}
          slotProps={{ htmlInput: { maxLength: 80 } }}
          onChange={(e) => {
            setName(e.target.value);
            setTouched(true);
          }}
        />
        <TextField
          select
          className={cx("region")}
          label="Region"
          value={run.region}
          onChange={(e) =>
            change({
              type: "runs",
              runs: [
                {
                  region: e.target.value as Sheet["region"],
                  steps: run.steps.map((step) => ({ ...step, zones: [] })),
                },
              ],
            })
          }
        >
          {words.regions.map((region) => (
            <MenuItem key={region.id} value={region.id}>
              {region.label}
            </MenuItem>
          ))}
        </TextField>
        <span className="soft">
          {over === 0 ? "new" : `version ${over}`}
          {judged.data && `, ${judged.data.minutes} min`}
        </span>
        {objections.length > 0 && (
          <b className={shut > 0 ? "end" : "warn"}>{plural(objections.length, "objection")}</b>
        )}
        <span className="grow" />
        <Button
          color="inherit"
          disabled={writing.before.length === 0}
          onClick={() => change({ type: "undo" })}
        >
          Undo
        </Button>
        {over > 1 && (
          <Versions
            id={id}
            words={words}
            onTake={(earlier) => {
              setName(earlier.name);
              change({ type: "runs", runs: [{ region: earlier.region, steps: earlier.steps }] });
            }}
          />
        )}
        <TryOn visit={visit} onChoose={setVisit} />
        <Button
          variant="contained"
          disabled={!dirty || name.trim() === "" || run.steps.length === 0 || keep.isPending}
          onClick={() => keep.mutate()}
        >
          Keep as version {over + 1}
        </Button>
      </header>
      {stale && (
        <p className={cx("mind-line")}>
          Somebody kept version {current} meanwhile. What you wrote stands here and on this device.{" "}
          <Button size="small" onClick={() => setOver(current)}>
            Keep mine after it
          </Button>{" "}
          <Button
            size="small"
            onClick={() => {
              dropDraft(id);
              window.location.reload();
            }}
          >
            Take theirs
          </Button>
        </p>
      )}
      {fromDraft && touched && !stale && (
        <p className={cx("mind-line")}>
          What you wrote here last stands again.{" "}
          <Button
            size="small"
            onClick={() => {
              dropDraft(id);
              window.location.reload();
            }}
          >
            Drop it
          </Button>
        </p>
      )}
      <ErrorNote error={keep.error ?? retire.error ?? judged.error} />
      {judged.data && (
        <div className={cx("composer-ribbon")}>
          <Ribbon
            model={ribbonOfSteps(
              judged.data.outline,
              line && { start: line.startSeconds, end: line.startSeconds + line.lengthSeconds },
            )}
            unit="minutes"
            label={`${name || "The sheet"} in outline, ${judged.data.minutes} minutes`}
            hands={(lane) => (
              <RibbonHands
                lane={lane}
                judged={judged.data}
                runs={[run]}
                picked={{ run: 0, line: picked }}
                onPick={(to) => setPicked(to.line)}
                change={change}
              />
            )}
          />
        </div>
      )}
      <div className={cx("columns", "composer-columns")}>
        <section aria-label="Lines of the sheet" tabIndex={0}>
          <Strip title="Lines" code={`${run.steps.length} · type / to add`} />
          <ScriptEditor
            run={run}
            at={0}
            judged={judged.data}
            words={words}
            picked={picked}
            adding={adding}
            onPick={setPicked}
            onAdding={setAdding}
            change={change}
          />
          {!adding && (
            <div className="pad-small row wrap">
              <Button onClick={() => setAdding(true)}>
                <kbd>/</kbd> Add a line
              </Button>
              <Button color="inherit" aria-expanded={helping} onClick={() => setHelping(!helping)}>
                <kbd>?</kbd> Keys
              </Button>
            </div>
          )}
          {helping && <KeyHelp table={keys} />}
        </section>
        <section className="side" aria-label="The line, acid and base" tabIndex={0}>
          <LinePanel
            key={run.steps[picked]?.id}
            run={run}
            at={0}
            line={picked}
            said={line}
            words={words}
            change={change}
            onPick={setPicked}
          />
          {judged.data && <AcidAndBase ledger={judged.data.ledger} />}
          {over > 0 && (
            <div className="foot">
              <Button component="a" href={`/api/protocols/${id}/file`} download>
                Save as a file
              </Button>
              <Button color="inherit" disabled={retire.isPending} onClick={() => retire.mutate()}>
                Retire
              </Button>
            </div>
          )}
        </section>
      </div>
    </main>
  );
}

/** Whose limits the sheet is tried on. */
function TryOn({
  visit,
  onChoose,
}: {
  visit: { id: string; name: string } | null;
  onChoose: (visit: { id: string; name: string } | null) => void;
}) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const today = useQuery({ ...todayQuery, enabled: anchor !== null });
  return (
    <>
      <Button onClick={(e) => (visit ? onChoose(null) : setAnchor(e.currentTarget))}>
        {visit ? `On ${visit.name} · stop` : "Try on a client"}
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {today.data?.visits.map((one) => (
          <MenuItem
            key={one.id}
            onClick={() => {
              onChoose({ id: one.id, name: one.clientName });
              setAnchor(null);
            }}
          >
            {one.clientName}
          </MenuItem>
        ))}
        {today.data?.visits.length === 0 && (
          <MenuItem disabled>Nobody comes on {dayOfYear(today.data.today)}</MenuItem>
        )}
      </Menu>
    </>
  );
}

/** Acid against base over the visit. */
export function AcidAndBase({
  ledger,
}: {
  ledger: { acidMmol: number; baseMmol: number; ratio?: number; layersCovered?: number };
}) {
  if (ledger.acidMmol === 0) return null;
  return (
    <>
      <Strip title="Acid and base" code="whole visit" />
      <div className="line">
        <span>on the skin, all layers</span>
        <span className="value mono">{decimal(ledger.acidMmol, 1)} mmol</span>
      </div>
      <div className="line">
        <span>base laid out</span>
        <span className="value mono">{decimal(ledger.baseMmol, 1)} mmol</span>
      </div>
      <p className="pad-small small soft">
        {ledger.ratio !== undefined && `${decimal(ledger.ratio, 1)} times by mole; `}
        {ledger.layersCovered === 0
          ? "not even one layer is met 1 : 1."
          : `${plural(ledger.layersCovered ?? 0, "layer")} met 1 : 1; twice is laid out as a rule.`}
      </p>
    </>
  );
}
