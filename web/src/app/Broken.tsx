import Button from "@mui/material/Button";
import { useLocation } from "react-router";
import { Rooms } from "../parts/Rooms";
import { RoomOf } from "./RoomOf";

/** A screen that could not be drawn: calm, with the way back to what runs. */
export function Broken() {
  const { pathname } = useLocation();
  return (
    <RoomOf room="desk">
      <main className="pad stack" style={{ maxWidth: 620, paddingTop: "12vh", gap: 18 }}>
        <h1>This screen could not be drawn</h1>
        <p>
          Nothing that was said is lost: it is on the server, or kept on this device and sent. A
          peel that runs goes on, with its clock and its limit.
        </p>
        <Rooms />
        <div className="row wrap">
          <Button variant="contained" onClick={() => window.location.assign(pathname)}>
            Draw it again
          </Button>
          <Button onClick={() => window.location.assign("/")}>Go to Today</Button>
        </div>
      </main>
    </RoomOf>
  );
}
