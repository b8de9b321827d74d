import classNames from "classnames/bind";
import { ThemeProvider } from "@mui/material/styles";
import { useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import type { Session } from "../api/types";
import { ComeBack } from "./ComeBack";
import { RoomOf } from "./RoomOf";
import { useSession } from "./session";
import { SignInForm } from "./SignInForm";
import { themes } from "./theme";
import styles from "./SignedIn.module.css";

const cx = classNames.bind(styles);

/**
 * Everything but the sign-in page needs a signed-in person. Who was here and is signed out keeps the
 * screen: a running peel is not taken away from in front of its client.
 */
export function SignedIn({ children }: { children: ReactNode }) {
  const session = useSession();
  const account = session.data?.account;
  const [was, setWas] = useState<string | null>(null);
  if (account && was !== account.username) setWas(account.username);
  if (session.isPending) return null;
  if (account) return children;
  if (was !== null) {
    return (
      <>
        {children}
        <ThemeProvider theme={themes[document.body.className === "couch" ? "couch" : "desk"]}>
          <ComeBack byPin={session.data?.byPin ?? []} />
        </ThemeProvider>
      </>
    );
  }
  return (
    <RoomOf room="desk">
      {session.data && !session.data.started ? (
        <NotStarted />
      ) : (
        <SignInPage session={session.data} unreachable={session.error} />
      )}
    </RoomOf>
  );
}

export function Cover() {
  return (
    <section aria-label="Ivesk">
      <h1>ivesk</h1>
      <p>Superficial peels, from the first question to the signed record.</p>
      <p className="small">
        Ivesk computes, times, reminds and records. It does not diagnose. The maker’s label, the
        law, your licence and the supervising clinician come before any number here.
      </p>
    </section>
  );
}

function NotStarted() {
  return (
    <main className={cx("sign-in")}>
      <Cover />
      <div className={cx("stack", "form")}>
        <h2>Nobody works here yet</h2>
        <p>
          The terminal in which Ivesk was started shows an address. Open it on that machine: it asks
          for the practice and makes its owner. It holds for 30 minutes; a new start shows a new
          one.
        </p>
      </div>
    </main>
  );
}

function SignInPage({
  session,
  unreachable,
}: {
  session: Session | undefined;
  unreachable: unknown;
}) {
  const queries = useQueryClient();
  return (
    <main className={cx("sign-in")}>
      <Cover />
      <div className={cx("stack", "form")}>
        <h2>Sign in</h2>
        {session?.practice && <p className="soft">{session.practice}</p>}
        <SignInForm
          // Who may come in by a PIN is known once the server has answered.
          key={session ? "known" : "unknown"}
          byPin={session?.byPin ?? []}
          unreachable={unreachable}
          onIn={() => void queries.invalidateQueries()}
        />
      </div>
    </main>
  );
}
