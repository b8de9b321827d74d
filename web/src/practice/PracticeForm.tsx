import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, body } from "../api/client";
import type { Practice } from "../api/types";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { practiceQuery } from "../parts/practice";
import { PracticeFields } from "./PracticeFields";

/** Changes name, town, zone, rooms and days. */
export function PracticeForm({ practice, onClose }: { practice: Practice; onClose: () => void }) {
  const queries = useQueryClient();
  const [value, setValue] = useState(practice);
  const save = useMutation({
    mutationFn: async () => body(await api.PUT("/api/practice", { body: value })),
    onSuccess: async (fresh) => {
      queries.setQueryData(practiceQuery.queryKey, fresh);
      await queries.invalidateQueries({ queryKey: keys.session });
      await queries.invalidateQueries({ queryKey: keys.today });
      onClose();
    },
  });
  function submit(event: FormEvent) {
    event.preventDefault();
    save.mutate();
  }
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="practice-form">
      <form onSubmit={submit}>
        <DialogTitle id="practice-form">The practice</DialogTitle>
        <DialogContent>
          <div className="stack" style={{ paddingTop: 8, gap: 16 }}>
            <PracticeFields value={value} onChange={setValue} />
            <ErrorNote error={save.error} />
          </div>
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onClose}>
            Leave it
          </Button>
          <Button type="submit" variant="contained" disabled={save.isPending}>
            Keep
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
