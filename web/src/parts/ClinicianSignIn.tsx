import TextField from "@mui/material/TextField";

/** The supervising clinician's own sign-in, at the spot. */
export interface AtTheSpot {
  username: string;
  word: string;
}

export const NOBODY_AT_THE_SPOT: AtTheSpot = { username: "", word: "" };

export const isGiven = ({ username, word }: AtTheSpot) => username.trim() !== "" && word !== "";

/** Name and password or PIN of the clinician, where another account is signed in. */
export function ClinicianSignIn({
  given,
  onChange,
  autoFocus,
}: {
  given: AtTheSpot;
  onChange: (given: AtTheSpot) => void;
  autoFocus: boolean;
}) {
  return (
    <>
      <TextField
        autoFocus={autoFocus}
        required
        label="Clinician's sign-in name"
        autoComplete="off"
        value={given.username}
        onChange={(e) => onChange({ ...given, username: e.target.value })}
      />
      <TextField
        required
        type="password"
        label="Clinician's password or PIN"
        autoComplete="off"
        value={given.word}
        onChange={(e) => onChange({ ...given, word: e.target.value })}
      />
    </>
  );
}
