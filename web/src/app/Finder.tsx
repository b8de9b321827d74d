import Dialog from "@mui/material/Dialog";
import { useQuery } from "@tanstack/react-query";
import dayjs from "dayjs";
import { type KeyboardEvent, useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { findClientsQuery } from "../client/queries";
import { ErrorNote } from "../parts/ErrorNote";
import "./finder.css";

const MOST = 9;

/** Finds a client from anywhere: "/" opens it, arrows choose, Enter goes there. */
export function Finder() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    function slash(event: globalThis.KeyboardEvent) {
      const target = event.target as HTMLElement;
      const typing = target.closest("input, textarea, select, [contenteditable]");
      if (event.key === "/" && !typing && !event.ctrlKey && !event.metaKey && !event.altKey) {
        event.preventDefault();
        setOpen(true);
      }
    }
    window.addEventListener("keydown", slash);
    return () => window.removeEventListener("keydown", slash);
  }, []);
  return (
    <>
      <button type="button" className="find" onClick={() => setOpen(true)}>
        <span>Find anyone</span>
        <kbd>/</kbd>
      </button>
      {open && <FinderDialog onClose={() => setOpen(false)} />}
    </>
  );
}

function FinderDialog({ onClose }: { onClose: () => void }) {
  const navigate = useNavigate();
  const [wanted, setWanted] = useState("");
  const [chosen, setChosen] = useState(0);
  const found = useQuery(findClientsQuery(wanted));
  const clients = (found.data?.clients ?? []).slice(0, MOST);
  function go(id: string | undefined) {
    if (!id) return;
    onClose();
    void navigate(`/clients/${id}`);
  }
  function key(event: KeyboardEvent) {
    if (event.key === "ArrowDown" || event.key === "ArrowUp") {
      event.preventDefault();
      const step = event.key === "ArrowDown" ? 1 : -1;
      setChosen((chosen + step + clients.length) % Math.max(1, clients.length));
    } else if (event.key === "Enter") {
      event.preventDefault();
      go(clients[chosen]?.id);
    }
  }
  return (
    <Dialog
      open
      onClose={onClose}
      maxWidth="sm"
      fullWidth
      slotProps={{ paper: { "aria-label": "Find a client" } }}
      sx={{ "& .MuiDialog-container": { alignItems: "flex-start" } }}
    >
      <input
        autoFocus
        className="find-input"
        role="combobox"
        aria-expanded={clients.length > 0}
        aria-controls="found"
        aria-activedescendant={clients[chosen] && `found-${clients[chosen].id}`}
        aria-label="Any part of the name"
        placeholder="Any part of the name"
        value={wanted}
        onChange={(e) => {
          setWanted(e.target.value);
          setChosen(0);
        }}
        onKeyDown={key}
      />
      <ErrorNote error={found.error} />
      <ul id="found" role="listbox" aria-label="Clients found" className="found">
        {clients.map((client, i) => (
          <li
            key={client.id}
            id={`found-${client.id}`}
            role="option"
            aria-selected={i === chosen}
            onClick={() => go(client.id)}
          >
            <b className="grow">{client.name}</b>
            <span className="mono">{dayjs().diff(client.dateOfBirth, "year")}</span>
            <span className="soft">{client.occupation}</span>
          </li>
        ))}
      </ul>
      {found.data && clients.length === 0 && (
        <p className="pad soft">Nobody is called that. Archived clients stand under Clients.</p>
      )}
    </Dialog>
  );
}
