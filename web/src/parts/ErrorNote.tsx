import Alert from "@mui/material/Alert";

/** What went wrong, what is kept, what to do; nothing when nothing did. */
export function ErrorNote({ error }: { error: unknown }) {
  if (!error) return null;
  return (
    <Alert severity="error" role="alert">
      {error instanceof Error ? error.message : String(error)}
    </Alert>
  );
}
