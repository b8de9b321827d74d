import { queryOptions, useQuery } from "@tanstack/react-query";
import { api, body } from "../../api/client";
import { keys } from "../../api/keys";
import { ErrorNote } from "../../parts/ErrorNote";
import styles from "./ClientAsks.module.css";

function answersQuery(id: string) {
  return queryOptions({
    queryKey: keys.visitPart(id, "answers"),
    queryFn: async () =>
      body(await api.GET("/api/visits/{id}/aftercare/answers", { params: { path: { id } } })),
  });
}

/** The answers by date, without leaving the couch; as planned, until the peel is over. */
export function ClientAsks({ visitId }: { visitId: string }) {
  const answers = useQuery(answersQuery(visitId));
  return (
    <div className={styles.asks} role="region" aria-label="Answers" tabIndex={0}>
      <ErrorNote error={answers.error} />
      {answers.data?.map(({ question, answer }) => (
        <p key={question}>
          <b>{question}</b>
          <br />
          {answer}
        </p>
      ))}
    </div>
  );
}
