import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useRef, useState } from "react";
import { api, body } from "../api/client";
import type { ProgressState, ScoreSheet, ScoreWords, Zone } from "../api/types";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { FaceMap, type ZoneLook } from "../parts/FaceMap";
import { Segments } from "../parts/Segments";
import { decimal } from "../parts/words";
import { progressQuery, scoreWordsQuery } from "./queries";
import styles from "./ScoreForm.module.css";
import { GagsFields, type Masi, MasiFields } from "./Grades";
import { OtherScores } from "./OtherScores";

const cx = classNames.bind(styles);

type Tab = "MASI" | "GAGS" | "OTHER";

const EMPTY: ScoreSheet = { masi: {}, gags: {}, colours: {} };
const TABS: { id: Tab; label: string }[] = [
  { id: "MASI", label: "Melasma" },
  { id: "GAGS", label: "Acne" },
  { id: "OTHER", label: "Others" },
];
const SEVERITY = {
  NONE: "none",
  MILD: "mild",
  MODERATE: "moderate",
  SEVERE: "severe",
  VERY_SEVERE: "very severe",
};
/** Scores of one day: by keyboard digit for digit, or by touch on the face. */
export function ScoreForm({
  clientId,
  state,
  onClose,
}: {
  clientId: string;
  state: ProgressState;
  onClose: () => void;
}) {
  const words = useQuery(scoreWordsQuery);
  const queries = useQueryClient();
  const [on, setOn] = useState(state.today);
  const [drafts, setDrafts] = useState<Record<string, ScoreSheet>>({});
  const kept = state.sheets.find((sheet) => sheet.on === on);
  const sheet = drafts[on] ?? kept?.sheet ?? EMPTY;
  const [tab, setTab] = useState<Tab>("MASI");
  const [zone, setZone] = useState<Zone | undefined>();
  const fields = useRef<HTMLDivElement>(null);
  const set = (more: Partial<ScoreSheet>) => setDrafts({ ...drafts, [on]: { ...sheet, ...more } });
  const totals = useQuery({
    queryKey: keys.scores(sheet),
    queryFn: async () => body(await api.POST("/api/scores", { body: sheet })),
    placeholderData: (shown) => shown,
  });
  const save = useMutation({
    mutationFn: async () =>
      body(
        await api.PUT("/api/clients/{id}/scores/{on}", {
          params: { path: { id: clientId, on } },
          body: { sheet, version: kept?.version ?? 0 },
        }),
      ),
    onSuccess: (changed) => {
      queries.setQueryData(progressQuery(clientId).queryKey, changed);
      onClose();
    },
  });
  function submit(event: FormEvent) {
    event.preventDefault();
    save.mutate();
  }
  function pick(picked: Zone) {
    setZone(picked);
    fields.current?.querySelector<HTMLInputElement>(`[data-zone="${picked}"] input`)?.focus();
  }
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="score-form">
      <form onSubmit={submit}>
        <DialogTitle id="score-form">Scores</DialogTitle>
        <DialogContent>
          <div className={cx("head")}>
            <TextField
              type="date"
              label="Scored on"
              value={on}
              onChange={(e) => setOn(e.target.value || state.today)}
              slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: state.today } }}
            />
            <Segments label="Which scores" value={tab} options={TABS} onChange={setTab} />
          </div>
          {words.data && (
            <div className={cx("halves")} ref={fields}>
              {tab !== "OTHER" && (
                <div className={cx("face")}>
                  <FaceMap
                    zones={looks(tab, sheet, words.data, zone)}
                    crop="neck"
                    label="The face, to pick a place"
                    onPick={pick}
                  />
                </div>
              )}
              {tab === "MASI" && (
                <MasiFields
                  words={words.data}
                  masi={sheet.masi}
                  onZone={setZone}
                  onChange={(masi) => set({ masi })}
                />
              )}
              {tab === "GAGS" && (
                <GagsFields
                  words={words.data}
                  gags={sheet.gags}
                  onZone={setZone}
                  onChange={(gags) => set({ gags })}
                />
              )}
              {tab === "OTHER" && <OtherScores words={words.data} sheet={sheet} onChange={set} />}
            </div>
          )}
          <p role="status">
            {totals.data?.masi !== undefined && totals.data.modifiedMasi !== undefined && (
              <>
                <b>MASI {decimal(totals.data.masi, 1)}</b> of 48 ·{" "}
                <b>mMASI {decimal(totals.data.modifiedMasi, 1)}</b> of 24{" "}
              </>
            )}
            {totals.data?.gags !== undefined && (
              <>
                <b>GAGS {totals.data.gags}</b> of 44, {SEVERITY[totals.data.severity ?? "NONE"]}
              </>
            )}
          </p>
          <ErrorNote error={save.error} />
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onClose}>
            Leave it
          </Button>
          <Button type="submit" variant="contained" disabled={save.isPending}>
            Keep the scores
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

/** What each place shows on the face. */
function looks(
  tab: Tab,
  sheet: ScoreSheet,
  words: ScoreWords,
  chosen: Zone | undefined,
): Partial<Record<Zone, ZoneLook>> {
  const places = tab === "MASI" ? words.masi : words.gags;
  return Object.fromEntries(
    places.flatMap(({ id, zone }) => {
      if (!zone) return [];
      const part = sheet.masi[id as keyof Masi];
      const text =
        tab === "MASI"
          ? part && `${part.area}·${part.darkness}·${part.homogeneity}`
          : sheet.gags[id as keyof ScoreSheet["gags"]]?.toString();
      return [[zone, { text, says: text, chosen: zone === chosen, covered: text !== undefined }]];
    }),
  );
}
