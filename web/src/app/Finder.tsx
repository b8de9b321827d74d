import classNames from "classnames/bind";
import Autocomplete from "@mui/material/Autocomplete";
import Dialog from "@mui/material/Dialog";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import dayjs from "dayjs";
import { useState } from "react";
import { useNavigate } from "react-router";
import type { Client } from "../api/types";
import { findClientsQuery } from "../client/queries";
import { ErrorNote } from "../parts/ErrorNote";
import { KeyHelp } from "../parts/KeyHelp";
import { type KeyBinding, useKeys } from "../parts/useKeys";
import styles from "./Finder.module.css";

const cx = classNames.bind(styles);

const MOST = 9;

/** Finds a client from anywhere: "/" opens it, arrows choose, Enter goes there. */
export function Finder() {
  const [open, setOpen] = useState<"finder" | "keys" | null>(null);
  const keys: KeyBinding[] = [
    { on: "/", says: "finds a client", does: () => setOpen("finder") },
    { on: "?", says: "these keys", does: () => setOpen("keys") },
  ];
  useKeys(keys);
  return (
    <>
      <button type="button" className={cx("find")} onClick={() => setOpen("finder")}>
        <span>Find anyone</span>
        <kbd>/</kbd>
      </button>
      {open === "finder" && <FinderDialog onClose={() => setOpen(null)} />}
      {open === "keys" && (
        <Dialog
          open
          onClose={() => setOpen(null)}
          slotProps={{ paper: { "aria-label": "Keys of the desk" } }}
        >
          <KeyHelp table={keys} />
        </Dialog>
      )}
    </>
  );
}

function FinderDialog({ onClose }: { onClose: () => void }) {
  const navigate = useNavigate();
  const [wanted, setWanted] = useState("");
  const found = useQuery(findClientsQuery(wanted));
  function go(client: Client | null) {
    if (!client) return;
    onClose();
    void navigate(`/clients/${client.id}`);
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
      <Autocomplete<Client>
        open
        autoHighlight
        forcePopupIcon={false}
        options={(found.data?.clients ?? []).slice(0, MOST)}
        // The server has found them, by any part of the name and without accents.
        filterOptions={(clients) => clients}
        getOptionLabel={(client) => client.name}
        getOptionKey={(client) => client.id}
        value={null}
        inputValue={wanted}
        onInputChange={(_, value, reason) => reason === "input" && setWanted(value)}
        onChange={(_, client) => go(client)}
        loading={found.isPending}
        loadingText="Looking"
        noOptionsText="Nobody is called that. Archived clients stand under Clients."
        slotProps={{
          popper: { disablePortal: true, modifiers: [{ name: "flip", enabled: false }] },
          paper: { className: cx("found"), square: true },
          listbox: { "aria-label": "Clients found" },
        }}
        renderOption={({ key, ...props }, client) => (
          <li key={key} {...props}>
            <b className="grow">{client.name}</b>
            <span className="mono">{dayjs().diff(client.dateOfBirth, "year")}</span>
            <span className="soft">{client.occupation}</span>
          </li>
        )}
        renderInput={(params) => (
          <TextField {...params} autoFocus label="Any part of the name" variant="filled" />
        )}
      />
      <ErrorNote error={found.error} />
    </Dialog>
  );
}
