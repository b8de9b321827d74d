import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, body } from "../api/client";
import type { CourseWish } from "../api/types";
import { keys } from "../api/keys";
import { ErrorNote } from "../parts/ErrorNote";
import { practiceQuery } from "../parts/practice";
import { day } from "../parts/words";
import { coursesQuery } from "./queries";
import styles from "./Courses.module.css";

const cx = classNames.bind(styles);

/** A course before it is booked: each day with its reasons, laid anew at every change. */
export function BookCourse({
  clientId,
  proposal,
  formulas,
  alternative,
  onClose,
}: {
  clientId: string;
  proposal: CourseWish;
  formulas: string[];
  /** At a plateau, the formula of another family that is proposed beside it. */
  alternative: string | undefined;
  onClose: () => void;
}) {
  const queries = useQueryClient();
  const [wish, setWish] = useState(proposal);
  const rooms = useQuery(practiceQuery).data?.rooms ?? [];
  const set = (more: Partial<CourseWish>) => setWish({ ...wish, ...more });
  const params = { path: { id: clientId } };
  const placed = useQuery({
    queryKey: keys.clientPart(clientId, "placing", wish),
    queryFn: async () =>
      body(await api.POST("/api/clients/{id}/courses/placing", { params, body: wish })),
    placeholderData: (shown) => shown,
    retry: false,
  });
  const book = useMutation({
    mutationFn: async () =>
      body(await api.POST("/api/clients/{id}/courses", { params, body: wish })),
    onSuccess: async (changed) => {
      queries.setQueryData(coursesQuery(clientId).queryKey, changed);
      await queries.invalidateQueries({ queryKey: keys.client(clientId) });
      await queries.invalidateQueries({ queryKey: keys.today });
      onClose();
    },
  });
  function submit(event: FormEvent) {
    event.preventDefault();
    book.mutate();
  }
  const [formula, second] = wish.formulas;
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="book-course">
      <form onSubmit={submit}>
        <DialogTitle id="book-course">Book a course</DialogTitle>
        <DialogContent>
          <div className="stack" style={{ gap: 16, paddingTop: 8 }}>
            <div className="row wrap">
              <TextField
                select
                label="Formula"
                value={formula ?? ""}
                onChange={(e) => set({ formulas: [e.target.value], layers: 1 })}
                sx={{ width: 150 }}
              >
                {formulas.map((code) => (
                  <MenuItem key={code} value={code}>
                    {code}
                  </MenuItem>
                ))}
              </TextField>
              <TextField
                select
                label="Alternate with"
                value={second ?? ""}
                onChange={(e) =>
                  set({
                    formulas: [formula ?? "", e.target.value].filter((code) => code !== ""),
                  })
                }
                sx={{ width: 190 }}
              >
                <MenuItem value="">nothing</MenuItem>
                {formulas
                  .filter((code) => code !== formula)
                  .map((code) => (
                    <MenuItem key={code} value={code}>
                      {code}
                    </MenuItem>
                  ))}
              </TextField>
              <TextField
                type="number"
                label="Peels"
                value={wish.count}
                onChange={(e) => set({ count: Number(e.target.value) })}
                slotProps={{ htmlInput: { min: 1, max: 12 } }}
                sx={{ width: 90 }}
              />
              <TextField
                type="date"
                label="First on"
                value={wish.first}
                onChange={(e) => e.target.value && set({ first: e.target.value })}
                slotProps={{ inputLabel: { shrink: true } }}
                sx={{ width: 170 }}
              />
              <TextField
                type="time"
                label="At"
                value={wish.hour.slice(0, 5)}
                onChange={(e) => e.target.value && set({ hour: e.target.value })}
                slotProps={{ inputLabel: { shrink: true } }}
                sx={{ width: 130 }}
              />
              <TextField
                select
                label="Room"
                value={wish.room}
                onChange={(e) => set({ room: e.target.value })}
                sx={{ width: 130 }}
              >
                {[...new Set([wish.room, ...rooms])].map((room) => (
                  <MenuItem key={room} value={room}>
                    {room}
                  </MenuItem>
                ))}
              </TextField>
            </div>
            <FormControlLabel
              control={
                <Checkbox
                  checked={wish.maintenance}
                  onChange={(e) => set({ maintenance: e.target.checked })}
                />
              }
              label="Maintenance: once a month, then every ten weeks"
            />
            {alternative && !second && (
              <p>
                A plateau: the scores have not moved over three peels.{" "}
                <Button
                  size="small"
                  onClick={() => set({ formulas: [formula ?? "", alternative] })}
                >
                  Alternate with {alternative}
                </Button>
              </p>
            )}
            <ol className={cx("placed")}>
              {placed.data?.map((peel) => (
                <li key={peel.number}>
                  <span className="mono">{peel.number}</span>
                  <b className="mono">{day(peel.on)}</b>
                  <span>
                    {peel.formula}
                    {peel.layers > 1 && ` ×${peel.layers}`}
                  </span>
                  <span className="small soft">{peel.why.join(" · ")}</span>
                </li>
              ))}
            </ol>
            <p className="small soft">
              Each visit is screened anew on its day; the ladder is foreseen as if every peel were
              well taken.
            </p>
            <ErrorNote error={placed.error ?? book.error} />
          </div>
        </DialogContent>
        <DialogActions>
          <Button color="inherit" onClick={onClose}>
            Leave it
          </Button>
          <Button
            type="submit"
            variant="contained"
            disabled={!placed.data || placed.error !== null || book.isPending}
          >
            Book {placed.data?.length ?? 0} visits
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
