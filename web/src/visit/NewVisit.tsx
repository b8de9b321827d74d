import Autocomplete from "@mui/material/Autocomplete";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import dayjs from "dayjs";
import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { api, body } from "../api/client";
import type { Client } from "../api/types";
import { keys } from "../api/keys";
import { findClientsQuery } from "../client/queries";
import { ErrorNote } from "../parts/ErrorNote";
import { practiceQuery, useMay } from "../parts/practice";
import { atPractice, instantOf } from "../parts/words";
import { Segments } from "../parts/Segments";
import { todayQuery } from "../parts/today";

/** Adds a visit for somebody known, or somebody who has just walked in. */
export function NewVisit({ onClose }: { onClose: () => void }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [whom, setWhom] = useState<Client | string | null>(null);
  const clients = useQuery(findClientsQuery(typeof whom === "string" ? whom : ""));
  const [born, setBorn] = useState("");
  const [start, setStart] = useState(() => {
    // The next quarter of an hour by the practice's clock, which may not be this machine's.
    const now = dayjs(queries.getQueryData(todayQuery.queryKey)?.serverNow);
    return atPractice(now.add(15 - (now.minute() % 15), "minute").toDate());
  });
  const rooms = useQuery(practiceQuery).data?.rooms ?? [];
  const [picked, setRoom] = useState<string | null>(null);
  const room = picked ?? rooms[0] ?? "";
  const reads = useMay("RECORD");
  const isNew = typeof whom === "string" && whom.trim() !== "";

  const add = useMutation({
    mutationFn: async () => {
      let client = whom as Client;
      if (typeof whom === "string") {
        client = body(
          await api.POST("/api/clients", {
            body: { name: whom, dateOfBirth: born },
          }),
        );
        // Known from here on: a second try must not add the same person twice.
        setWhom(client);
      }
      return body(
        await api.POST("/api/visits", {
          body: {
            clientId: client.id,
            startsAt: instantOf(start),
            room,
          },
        }),
      );
    },
    onSuccess: async (visit) => {
      await queries.invalidateQueries({ queryKey: keys.today });
      await queries.invalidateQueries({ queryKey: keys.clients });
      await navigate(reads ? `/visits/${visit.id}/consult` : `/clients/${visit.clientId}`);
    },
  });

  function submit(event: FormEvent) {
    event.preventDefault();
    add.mutate();
  }

  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="new-visit">
      <form onSubmit={submit}>
        <DialogTitle id="new-visit">New visit</DialogTitle>
        <DialogContent>
          <div className="stack" style={{ paddingTop: 8, gap: 16 }}>
            <Autocomplete<Client, false, false, true>
              freeSolo
              options={clients.data?.clients ?? []}
              // The server has found them, by any part of the name and without accents.
              filterOptions={(found) => found}
              getOptionLabel={(option) => (typeof option === "string" ? option : option.name)}
              getOptionKey={(option) => (typeof option === "string" ? option : option.id)}
              onChange={(_, value) => setWhom(value)}
              onInputChange={(_, value, reason) => {
                if (reason === "input") setWhom(value);
              }}
              renderInput={(params) => (
                <TextField {...params} label="Client, or a new name" autoFocus required />
              )}
            />
            {isNew && (
              <TextField
                label="Date of birth"
                type="date"
                required
                value={born}
                onChange={(e) => setBorn(e.target.value)}
                slotProps={{ inputLabel: { shrink: true } }}
                helperText="New to the practice: the date of birth decides what may be done."
              />
            )}
            <TextField
              label="Starts"
              type="datetime-local"
              required
              value={start}
              onChange={(e) => setStart(e.target.value)}
              slotProps={{ inputLabel: { shrink: true } }}
            />
            <Segments
              label="Room"
              value={room}
              options={rooms.map((id) => ({ id, label: id }))}
              onChange={setRoom}
            />
            <ErrorNote error={add.error} />
          </div>
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onClose}>
            Leave
          </Button>
          <Button
            type="submit"
            variant="contained"
            disabled={!whom || room === "" || add.isPending}
          >
            Add visit
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
