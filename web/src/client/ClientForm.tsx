import Autocomplete from "@mui/material/Autocomplete";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import dayjs from "dayjs";
import { useState } from "react";
import { Controller, useForm, useWatch } from "react-hook-form";
import { Link } from "react-router";
import { api, body, Problem } from "../api/client";
import { COMFORTS, LANGUAGES } from "../api/enumWords";
import type { Client, Comfort, Language } from "../api/types";
import { keys } from "../api/keys";
import { Chips } from "../parts/Chips";
import { ErrorNote } from "../parts/ErrorNote";
import { clientQuery, findClientsQuery } from "./queries";

/** A client as it is typed. */
interface Typed {
  name: string;
  dateOfBirth: string;
  occupation: string;
  sun: string;
  heightCm: string;
  weightKg: string;
  allergies: string;
  comforts: Comfort[];
  comfort: string;
  guardian: string;
  language: Language;
  telephone: string;
  mail: string;
}

/** Who is called alike and was born on the same day: one person has one chart. */
function HereAlready({ name, born, onGo }: { name: string; born: string; onGo: () => void }) {
  const first = name.trim().split(" ")[0] ?? "";
  const found = useQuery({
    ...findClientsQuery(first),
    enabled: born !== "" && first.length > 1,
  });
  const same = found.data?.clients.filter(({ dateOfBirth }) => dateOfBirth === born) ?? [];
  if (born === "" || same.length === 0) return null;
  return (
    <p className="warn" role="status">
      Born the same day and here already:{" "}
      {same.map(({ id, name: called }) => (
        <Link key={id} to={`/clients/${id}`} onClick={onGo}>
          {called}
        </Link>
      ))}
      . Is it the same person?
    </p>
  );
}

/** Adds a client, or changes one. */
export function ClientForm({
  client,
  onClose,
  onSaved,
}: {
  client?: Client;
  onClose: () => void;
  onSaved: (client: Client) => void;
}) {
  const queries = useQueryClient();
  const [version, setVersion] = useState(client?.version ?? 0);
  const { control, formState, handleSubmit, register, setError } = useForm<Typed>({
    defaultValues: {
      name: client?.name ?? "",
      dateOfBirth: client?.dateOfBirth ?? "",
      occupation: client?.occupation ?? "",
      sun: client?.sun ?? "",
      heightCm: client?.heightCm?.toString() ?? "",
      weightKg: client?.weightKg?.toString() ?? "",
      allergies: client?.allergies ?? "",
      comforts: client?.comforts ?? [],
      comfort: client?.comfort ?? "",
      guardian: client?.guardian ?? "",
      language: client?.language ?? "EN",
      telephone: client?.telephone ?? "",
      mail: client?.mail ?? "",
    },
  });
  const [born, name] = useWatch({ control, name: ["dateOfBirth", "name"] });
  const minor = born !== "" && dayjs().diff(born, "year") < 18;

  const save = useMutation({
    mutationFn: async (typed: Typed) => {
      const fields = {
        ...typed,
        heightCm: measure("Height", typed.heightCm),
        weightKg: measure("Weight", typed.weightKg),
      };
      return body(
        client
          ? await api.PUT("/api/clients/{id}", {
              params: { path: { id: client.id } },
              body: { client: fields, version },
            })
          : await api.POST("/api/clients", { body: fields }),
      );
    },
    onSuccess: async (saved) => {
      queries.setQueryData(clientQuery(saved.id).queryKey, saved);
      await queries.invalidateQueries({ queryKey: keys.clients });
      await queries.invalidateQueries({ queryKey: keys.visits });
      await queries.invalidateQueries({ queryKey: keys.today });
      onSaved(saved);
    },
    onError: (problem) => {
      for (const { field, detail } of problem instanceof Problem ? problem.fields : []) {
        setError(field as keyof Typed, { message: detail });
      }
    },
  });
  const stale = save.error instanceof Problem && save.error.status === 409;
  async function overwrite() {
    if (!client) return;
    const fresh = await queries.fetchQuery({ ...clientQuery(client.id), staleTime: 0 });
    setVersion(fresh.version);
    save.reset();
  }

  const field = (name: keyof Typed, label: string, more: object = {}) => (
    <TextField
      label={label}
      error={formState.errors[name] !== undefined}
      {...register(name)}
      {...more}
    />
  );
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="client-form">
      <form onSubmit={handleSubmit((typed) => save.mutate(typed))}>
        <DialogTitle id="client-form">{client ? client.name : "New client"}</DialogTitle>
        <DialogContent>
          <div className="stack" style={{ paddingTop: 8, gap: 16 }}>
            <div className="row">
              {field("name", "Name", { required: true, autoFocus: true })}
              {field("dateOfBirth", "Date of birth", {
                required: true,
                type: "date",
                slotProps: { inputLabel: { shrink: true } },
                sx: { maxWidth: 190 },
              })}
            </div>
            {!client && <HereAlready name={name} born={born} onGo={onClose} />}
            {minor && field("guardian", "Guardian, who consents too", { autoFocus: false })}
            <div className="row">
              {field("telephone", "Telephone", {
                slotProps: { htmlInput: { inputMode: "tel", maxLength: 30 } },
              })}
              {field("mail", "Mail address", {
                slotProps: { htmlInput: { inputMode: "email", maxLength: 254 } },
              })}
            </div>
            <div className="row">
              {field("occupation", "Occupation")}
              {field("sun", "Sun: work outdoors, habits, sunbed")}
            </div>
            <div className="row">
              {field("heightCm", "Height, cm", {
                slotProps: { htmlInput: { inputMode: "decimal" } },
              })}
              {field("weightKg", "Weight, kg", {
                slotProps: { htmlInput: { inputMode: "decimal" } },
              })}
            </div>
            <Controller
              control={control}
              name="language"
              render={({ field: { value, onChange } }) => (
                <TextField
                  select
                  label="Language of the sheets"
                  value={value}
                  onChange={onChange}
                  sx={{ maxWidth: 240 }}
                >
                  {(Object.keys(LANGUAGES) as Language[]).map((id) => (
                    <MenuItem key={id} value={id}>
                      {LANGUAGES[id]}
                    </MenuItem>
                  ))}
                </TextField>
              )}
            />
            <Controller
              control={control}
              name="allergies"
              render={({ field: { value, onChange } }) => (
                <Allergies told={value} onChange={onChange} />
              )}
            />
            <Controller
              control={control}
              name="comforts"
              render={({ field: { value, onChange } }) => (
                <div className="stack" style={{ gap: 6 }}>
                  <span className="small soft">Comfort: it changes the steps on the couch</span>
                  <Chips
                    label="Comfort"
                    options={(Object.keys(COMFORTS) as Comfort[]).map((id) => ({
                      id,
                      label: COMFORTS[id],
                    }))}
                    chosen={value}
                    onChange={onChange}
                  />
                </div>
              )}
            />
            {field("comfort", "More that the couch must respect", {
              multiline: true,
              maxRows: 4,
            })}
            <ErrorNote error={save.error} />
            {stale && (
              <div>
                <Button onClick={() => void overwrite()}>Keep mine: save it over the other</Button>
              </div>
            )}
          </div>
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onClose}>
            Leave it
          </Button>
          <Button type="submit" variant="contained" disabled={save.isPending || stale}>
            {client ? "Save" : "Add client"}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

/** What a peel may contain, by the names that screening knows. */
const SUBSTANCES = [
  "salicylic acid (aspirin)",
  "glycolic acid",
  "lactic acid",
  "mandelic acid",
  "azelaic acid",
  "pyruvic acid",
  "trichloroacetic acid (TCA)",
  "citric acid",
  "resorcinol",
  "retinol",
  "papaya",
  "pineapple",
  "fig",
  "pumpkin",
  "latex",
  "lidocaine",
];

/** Allergies as entries: a substance of a peel, or anything else in words. */
function Allergies({ told, onChange }: { told: string; onChange: (told: string) => void }) {
  const entries = told.split(/[;,\n]\s*/).filter((entry) => entry.trim() !== "");
  return (
    <Autocomplete
      multiple
      freeSolo
      autoSelect
      options={SUBSTANCES}
      value={entries}
      onChange={(_, chosen) => onChange(chosen.map((entry) => entry.trim()).join("; "))}
      renderInput={(params) => (
        <TextField
          {...params}
          label="Allergies, as told"
          helperText="Choose a substance, or type another and press Enter. Screening reads them."
        />
      )}
    />
  );
}

/** A number as typed, with point or comma; nothing for an empty field. */
function measure(label: string, typed: string): number | undefined {
  if (typed.trim() === "") return undefined;
  const value = Number(typed.replace(",", "."));
  if (Number.isNaN(value)) throw new Error(`${label} is “${typed}”: give a number.`);
  return value;
}
