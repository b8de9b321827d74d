import Button from "@mui/material/Button";
import { useMutation } from "@tanstack/react-query";
import { api, body } from "../api/client";
import { ErrorNote } from "../parts/ErrorNote";
import { QrCode } from "../parts/QrCode";

/** The client's own page of the days after, for a phone; the link of before is out. */
export function DiaryLink({ visitId }: { visitId: string }) {
  const make = useMutation({
    mutationFn: async () =>
      body(await api.POST("/api/visits/{id}/diary", { params: { path: { id: visitId } } })),
  });
  if (make.data) return <QrCode {...make.data} says="Opens until the last check-in." />;
  return (
    <div className="pad stack">
      <p className="soft">
        The client tells how it is by phone, with a photo. It opens nothing else, and shows the
        first name alone. A new link puts the one of before out.
      </p>
      <ErrorNote error={make.error} />
      <span>
        <Button variant="contained" onClick={() => make.mutate()}>
          Make the link
        </Button>
      </span>
    </div>
  );
}
