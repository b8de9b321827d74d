import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { ScriptWords, Sheet } from "../api/types";
import { ErrorNote } from "../parts/ErrorNote";
import { clock, day, hour } from "../parts/words";
import { protocolQuery, protocolVersionQuery } from "./queries";
import { whatOf } from "./script";

/** What the sheet was before, version by version; any of them can be written on from. */
export function Versions({
  id,
  words,
  onTake,
}: {
  id: string;
  words: ScriptWords;
  onTake: (sheet: Sheet) => void;
}) {
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<number | null>(null);
  const all = useQuery({ ...protocolQuery(id), enabled: open }).data?.versions ?? [];
  const version = chosen ?? all[1]?.version ?? all[0]?.version;
  const read = useQuery({
    ...protocolVersionQuery(id, version ?? 0),
    enabled: open && version !== undefined,
  });
  return (
    <>
      <Button color="inherit" onClick={() => setOpen(true)}>
        Versions
      </Button>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        maxWidth="sm"
        fullWidth
        aria-labelledby="versions"
      >
        <DialogTitle id="versions">What the sheet was</DialogTitle>
        <DialogContent>
          <div className="stack" style={{ paddingTop: 8, gap: 16 }}>
            <TextField
              select
              autoFocus
              label="Version"
              value={version ?? ""}
              onChange={(e) => setChosen(Number(e.target.value))}
            >
              {all.map((one) => (
                <MenuItem key={one.version} value={one.version}>
                  {one.version}, {day(one.at)} {hour(one.at)}, {one.by}
                  {one.retired && ", taken out"}
                </MenuItem>
              ))}
            </TextField>
            <ErrorNote error={read.error} />
            {read.data && (
              <ol aria-label={`Lines of version ${version}`}>
                {read.data.sheet.steps.map((step, i) => (
                  <li key={step.id} className="row">
                    <span className="mono soft" style={{ width: 24, textAlign: "right" }}>
                      {i + 1}
                    </span>
                    <span className="grow">
                      {step.peel ?? whatOf(step, words)?.label ?? step.product}
                    </span>
                    <span className="mono">
                      {step.plannedSeconds !== undefined && clock(step.plannedSeconds * 1000)}
                    </span>
                  </li>
                ))}
              </ol>
            )}
          </div>
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={() => setOpen(false)}>
            Leave it
          </Button>
          <Button
            variant="contained"
            disabled={!read.data}
            onClick={() => {
              if (read.data) onTake(read.data.sheet);
              setOpen(false);
            }}
          >
            Write on from version {version}
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
