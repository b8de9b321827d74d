import classNames from "classnames/bind";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useInfiniteQuery } from "@tanstack/react-query";
import dayjs from "dayjs";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { ErrorNote } from "../parts/ErrorNote";
import { Segments } from "../parts/Segments";
import { plural, respected } from "../parts/words";
import { ClientForm } from "./ClientForm";
import { listedClientsQuery } from "./queries";
import styles from "./Clients.module.css";

const cx = classNames.bind(styles);

export default function Clients() {
  const navigate = useNavigate();
  const [wanted, setWanted] = useState("");
  const [archived, setArchived] = useState(false);
  const [adding, setAdding] = useState(false);
  const found = useInfiniteQuery(listedClientsQuery(wanted, archived));
  const pages = found.data?.pages ?? [];
  const clients = pages.flatMap((page) => page.clients);
  const total = pages.at(-1)?.total;
  return (
    <>
      <main className={cx("pad", "clients")}>
        <div className="row wrap">
          <h1 className="grow">
            Clients <small className={cx("soft", "mono", "count")}>{total}</small>
          </h1>
          <TextField
            label="Find by any part of the name"
            value={wanted}
            onChange={(e) => setWanted(e.target.value)}
            sx={{ maxWidth: 300 }}
          />
          <Segments
            label="Which clients"
            value={archived ? "archived" : "here"}
            options={[
              { id: "here", label: "here" },
              { id: "archived", label: "archived" },
            ]}
            onChange={(which) => setArchived(which === "archived")}
          />
          <Button variant="contained" onClick={() => setAdding(true)}>
            New client
          </Button>
        </div>
        <ErrorNote error={found.error} />
        <ul>
          {clients.map((client) => (
            <li key={client.id}>
              <Link to={`/clients/${client.id}`}>
                <b>{client.name}</b>
                <span className="mono">{dayjs().diff(client.dateOfBirth, "year")}</span>
                <span>{client.occupation}</span>
                <span className="soft">
                  {[client.allergies, respected(client)].filter(Boolean).join(" · ")}
                </span>
              </Link>
            </li>
          ))}
        </ul>
        {found.data && clients.length === 0 && (
          <p className="soft empty">
            {wanted.trim()
              ? `Nobody ${archived ? "archived" : "here"} is called “${wanted.trim()}”.`
              : archived
                ? "Nobody is archived. Who no longer comes is put here from the chart, with everything kept."
                : "Clients stand here with what they told. Add the first one."}
          </p>
        )}
        {found.hasNextPage && total !== undefined && (
          <p className="row soft">
            The first {clients.length} of {plural(total, "client")}. Type a part of a name to find
            the others, or
            <Button onClick={() => void found.fetchNextPage()} disabled={found.isFetchingNextPage}>
              Show more
            </Button>
          </p>
        )}
      </main>
      {adding && (
        <ClientForm
          onClose={() => setAdding(false)}
          onSaved={(client) => void navigate(`/clients/${client.id}`)}
        />
      )}
    </>
  );
}
