import { ThemeProvider } from "@mui/material/styles";
import { type ReactNode, useEffect } from "react";
import { type Room, themes } from "./theme";

/** Puts a screen into the light of its room. */
export function RoomOf({ room, children }: { room: Room; children: ReactNode }) {
  useEffect(() => {
    document.body.className = room;
  }, [room]);
  return (
    <ThemeProvider theme={themes[room]}>
      <div className={room}>{children}</div>
    </ThemeProvider>
  );
}
