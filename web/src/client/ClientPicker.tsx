import Autocomplete from "@mui/material/Autocomplete";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Client } from "../api/types";
import { findClientsQuery } from "./queries";

/** Picks a client, found by any part of the name. */
export function ClientPicker({
  label,
  value,
  onChange,
  without,
  said = ({ name }) => name,
}: {
  label: string;
  value: Client | null;
  onChange: (client: Client | null) => void;
  /** The id of one who is not to be picked. */
  without?: string;
  /** How each is told from the others. */
  said?: (client: Client) => string;
}) {
  const [typed, setTyped] = useState("");
  const found = useQuery(findClientsQuery(typed));
  return (
    <Autocomplete<Client>
      options={(found.data?.clients ?? []).filter(({ id }) => id !== without)}
      // The server has found them, by any part of the name and without accents.
      filterOptions={(clients) => clients}
      getOptionLabel={said}
      getOptionKey={({ id }) => id}
      isOptionEqualToValue={(one, two) => one.id === two.id}
      value={value}
      onInputChange={(_, next, reason) => reason === "input" && setTyped(next)}
      onChange={(_, client) => onChange(client)}
      noOptionsText="Nobody is called that."
      renderInput={(field) => <TextField {...field} label={label} autoFocus />}
    />
  );
}
