import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, body } from "../api/client";
import type { Person } from "../api/types";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { peopleQuery } from "./queries";
import { SCOPES } from "./scopes";

/** Adds somebody, who then sets a password by a one-time code; or changes or locks one. */
export function PersonForm({
  person,
  roles,
  onClose,
  onCode,
}: {
  person: Person | null;
  roles: { id: Person["role"]; label: string }[];
  onClose: () => void;
  onCode: (code: { username: string; code: string }) => void;
}) {
  const queries = useQueryClient();
  const [name, setName] = useState(person?.name ?? "");
  const [username, setUsername] = useState(person?.username ?? "");
  const [role, setRole] = useState<Person["role"]>(person?.role ?? "THERAPIST");
  const [scope, setScope] = useState<Person["scope"] | "">(person?.scope ?? "");
  const [locked, setLocked] = useState(person?.locked ?? false);
  const save = useMutation({
    mutationFn: async () => {
      const said = { name, role, ...(scope !== "" && { scope }) };
      if (person) {
        const fresh = body(
          await api.PUT("/api/people/{username}", {
            params: { path: { username: person.username } },
            body: { ...said, locked },
          }),
        );
        queries.setQueryData(peopleQuery.queryKey, fresh);
      } else {
        onCode(body(await api.POST("/api/people", { body: { ...said, username } })));
        await queries.invalidateQueries({ queryKey: keys.people });
      }
    },
    onSuccess: onClose,
  });
  function submit(event: FormEvent) {
    event.preventDefault();
    save.mutate();
  }
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth aria-labelledby="person-form">
      <form onSubmit={submit}>
        <DialogTitle id="person-form">{person ? person.name : "Add somebody"}</DialogTitle>
        <DialogContent>
          <div className="stack" style={{ paddingTop: 8, gap: 16 }}>
            <TextField
              label="Name"
              autoFocus
              required
              value={name}
              onChange={(e) => setName(e.target.value)}
            />
            {!person && (
              <TextField
                label="Sign-in name"
                required
                value={username}
                onChange={(e) => setUsername(e.target.value.toLowerCase())}
                helperText="Small letters, digits, dots and dashes; it stays."
              />
            )}
            <TextField
              select
              label="Role"
              value={role}
              onChange={(e) => setRole(e.target.value as Person["role"])}
            >
              {roles.map(({ id, label }) => (
                <MenuItem key={id} value={id}>
                  {label}
                </MenuItem>
              ))}
            </TextField>
            <TextField
              select
              label="Licence"
              value={scope}
              onChange={(e) => setScope(e.target.value as Person["scope"] | "")}
              helperText="What is deeper is shut in this person’s visits."
              slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
            >
              <MenuItem value="">as the practice’s</MenuItem>
              {SCOPES.map(({ id, label }) => (
                <MenuItem key={id} value={id}>
                  {label}
                </MenuItem>
              ))}
            </TextField>
            {person && (
              <FormControlLabel
                control={
                  <Checkbox checked={locked} onChange={(e) => setLocked(e.target.checked)} />
                }
                label="Locked: signed out everywhere and cannot sign in. What was done under the name stays."
              />
            )}
            <ErrorNote error={save.error} />
          </div>
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onClose}>
            Leave it
          </Button>
          <Button type="submit" variant="contained" disabled={save.isPending}>
            {person ? "Keep" : "Add"}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
