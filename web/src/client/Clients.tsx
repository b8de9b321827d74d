import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import dayjs from "dayjs";
import { useState } from "react";
import { Link } from "react-router";
import { RoomOf } from "../app/RoomOf";
import { Top } from "../app/Top";
import { ErrorNote } from "../parts/ErrorNote";
import { clientsQuery } from "./queries";
import "./clients.css";

/** Lower case, without accents. */
function plain(text: string): string {
  return text
    .normalize("NFD")
    .replace(/\p{Diacritic}/gu, "")
    .toLowerCase();
}

export default function Clients() {
  const clients = useQuery(clientsQuery);
  const [wanted, setWanted] = useState("");
  const found = (clients.data ?? []).filter((client) =>
    plain(client.name).includes(plain(wanted.trim())),
  );
  return (
    <RoomOf room="desk">
      <div className="station">
        <Top />
        <main className="pad clients">
          <div className="row">
            <h1 className="grow">Clients</h1>
            <TextField
              label="Find by name"
              value={wanted}
              onChange={(e) => setWanted(e.target.value)}
              sx={{ maxWidth: 280 }}
            />
          </div>
          <ErrorNote error={clients.error} />
          <ul>
            {found.map((client) => (
              <li key={client.id}>
                <Link to={`/clients/${client.id}`}>
                  <b>{client.name}</b>
                  <span className="mono">{dayjs().diff(client.dateOfBirth, "year")}</span>
                  <span>{client.occupation}</span>
                  <span className="soft">
                    {[client.allergies, client.comfort].filter(Boolean).join(" · ")}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
          {clients.data && found.length === 0 && (
            <p className="soft">
              Nobody here is called that. A new client is added with a new visit, on{" "}
              <Link to="/">Today</Link>.
            </p>
          )}
        </main>
      </div>
    </RoomOf>
  );
}
