import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import GlobalStyles from "@mui/material/GlobalStyles";
import { QueryClientProvider } from "@tanstack/react-query";
import { lazy, Suspense } from "react";
import { createBrowserRouter, Outlet, RouterProvider } from "react-router";
import { queryClient } from "../api/client";
import { Broken } from "./Broken";
import { RoomOf } from "./RoomOf";
import { SignedIn } from "./SignedIn";
import { Top } from "./Top";
import { roomVariables } from "./theme";

// Each screen is loaded when it is first opened.
const Today = lazy(() => import("../visit/Today"));
const Clients = lazy(() => import("../client/Clients"));
const Chart = lazy(() => import("../path/Chart"));
const Bench = lazy(() => import("../formula/Bench"));
const Shelf = lazy(() => import("../formula/Shelf"));
const DecisionTable = lazy(() => import("../practice/DecisionTable"));
const Practice = lazy(() => import("../practice/Practice"));
const Protocols = lazy(() => import("../plan/Protocols"));
const Composer = lazy(() => import("../plan/Composer"));
const Products = lazy(() => import("../product/Products"));
const People = lazy(() => import("../practice/People"));
const Health = lazy(() => import("../practice/Health"));
const Self = lazy(() => import("../practice/Self"));
const FirstStart = lazy(() => import("../practice/FirstStart"));
const VisitStation = lazy(() => import("./VisitStation"));
const Sheet = lazy(() => import("../aftercare/Sheet"));
const Diary = lazy(() => import("../aftercare/Diary"));
const PrepSheet = lazy(() => import("../visit/PrepSheet"));
const Handset = lazy(() => import("../treatment/handset/Handset"));

/** Its styles carry the word that the page came with; others are not taken. */
const styles = createCache({
  key: "css",
  prepend: true,
  nonce: document.querySelector<HTMLMetaElement>("meta[name=csp-nonce]")?.content,
});

function Frame() {
  return (
    <SignedIn>
      <Suspense fallback={null}>
        <Outlet />
      </Suspense>
    </SignedIn>
  );
}

/** The light of the desk, and the top of its screens. */
function Desk() {
  return (
    <RoomOf room="desk">
      <div className="station">
        <Top />
        <Suspense fallback={null}>
          <Outlet />
        </Suspense>
      </div>
    </RoomOf>
  );
}

function NotHere() {
  return (
    <main className="pad">
      <h1>There is nothing here</h1>
      <p>
        <a href="/">Go to Today</a>
      </p>
    </main>
  );
}

const router = createBrowserRouter([
  {
    path: "/first-start",
    element: (
      <RoomOf room="desk">
        <Suspense fallback={null}>
          <FirstStart />
        </Suspense>
      </RoomOf>
    ),
  },
  {
    path: "/handset",
    element: (
      <RoomOf room="couch">
        <Suspense fallback={null}>
          <Handset />
        </Suspense>
      </RoomOf>
    ),
  },
  {
    path: "/diary",
    element: (
      <RoomOf room="desk">
        <Suspense fallback={null}>
          <Diary />
        </Suspense>
      </RoomOf>
    ),
  },
  {
    element: <Frame />,
    errorElement: <Broken />,
    children: [
      {
        element: <Desk />,
        children: [
          { path: "/", element: <Today /> },
          { path: "/clients", element: <Clients /> },
          { path: "/clients/:clientId/:tab?", element: <Chart /> },
          { path: "/bench/:tool?", element: <Bench /> },
          { path: "/shelf/products/:code?", element: <Products /> },
          { path: "/shelf/:code?", element: <Shelf /> },
          { path: "/practice", element: <Practice /> },
          { path: "/practice/decisions", element: <DecisionTable /> },
          { path: "/practice/protocols", element: <Protocols /> },
          { path: "/practice/protocols/:protocolId", element: <Composer /> },
          { path: "/practice/people", element: <People /> },
          { path: "/practice/health", element: <Health /> },
          { path: "/self", element: <Self /> },
          { path: "*", element: <NotHere /> },
        ],
      },
      {
        path: "/visits/:visitId/sheet",
        element: (
          <RoomOf room="desk">
            <Sheet />
          </RoomOf>
        ),
      },
      {
        path: "/visits/:visitId/prep",
        element: (
          <RoomOf room="desk">
            <PrepSheet />
          </RoomOf>
        ),
      },
      { path: "/visits/:visitId/:station", element: <VisitStation /> },
    ],
  },
]);

export function App() {
  return (
    <QueryClientProvider client={queryClient}>
      <CacheProvider value={styles}>
        <GlobalStyles styles={roomVariables} />
        <RouterProvider router={router} />
      </CacheProvider>
    </QueryClientProvider>
  );
}
