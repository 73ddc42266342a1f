import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense } from "react";
import { Navigate, Route, Routes, useLocation } from "react-router";
import { sessionOptions } from "./features/session/api";
import { AccountPage } from "./features/account/AccountPage";
import { DayBookPage } from "./features/daybook/DayBookPage";
import { GuestPage, LinkOver } from "./features/guest/GuestPage";
import { VisitPage } from "./features/guest/VisitPage";
import { JobFrame } from "./features/job/JobFrame";
import { InvitedPage } from "./features/people/InvitedPage";
import { PeoplePage } from "./features/people/PeoplePage";
import { PracticeBookPage } from "./features/practice/PracticeBookPage";
import { PracticePage } from "./features/practice/PracticePage";
import { LoginPage } from "./features/session/LoginPage";
import { StockBookPage } from "./features/stock/StockBookPage";
import { Failure } from "./ui/Failure";
import { Waiting } from "./ui/Waiting";

const ProofPage = lazy(() => import("./features/proof/ProofPage"));

export function App() {
  const session = useQuery(sessionOptions);
  const { pathname, hash } = useLocation();
  if (session.isPending) {
    return <Waiting what="the clerk" />;
  }
  if (session.isError && !session.data) {
    return (
      <main className="mx-auto max-w-xl p-6">
        <Failure error={session.error} onRetry={() => session.refetch()} />
      </main>
    );
  }
  if (pathname === "/invited") {
    return <InvitedPage text={hash.slice(1)} />;
  }
  if (pathname === "/visit") {
    return <VisitPage text={hash.slice(1)} />;
  }
  if (session.data.role === "GUEST") {
    return session.data.job ? <GuestPage job={session.data.job} session={session.data} /> : <LinkOver />;
  }
  if (!session.data.loggedIn) {
    return <LoginPage setup={session.data.setupNeeded} />;
  }
  return (
    <Routes>
      <Route path="/" element={<DayBookPage />} />
      <Route path="/jobs/:job" element={<JobFrame />} />
      <Route path="/jobs/:job/match" element={<JobFrame page="/match" />} />
      <Route path="/jobs/:job/sketch" element={<JobFrame page="/sketch" />} />
      <Route path="/jobs/:job/pick-list" element={<JobFrame page="/pick-list" />} />
      <Route path="/jobs/:job/bench" element={<JobFrame page="/bench" />} />
      <Route path="/jobs/:job/day" element={<JobFrame page="/day" />} />
      <Route path="/jobs/:job/join" element={<JobFrame page="/join" />} />
      <Route path="/jobs/:job/rules" element={<JobFrame page="/rules" />} />
      <Route path="/jobs/:job/live" element={<JobFrame page="/live" />} />
      <Route path="/jobs/:job/firmware" element={<JobFrame page="/firmware" />} />
      <Route path="/jobs/:job/log" element={<JobFrame page="/log" />} />
      <Route path="/jobs/:job/hand-over" element={<JobFrame page="/hand-over" />} />
      <Route path="/jobs/:job/rooms" element={<JobFrame page="/rooms" />} />
      <Route path="/stock" element={<StockBookPage />} />
      <Route path="/account" element={<AccountPage />} />
      {session.data.role === "OWNER" && <Route path="/people" element={<PeoplePage />} />}
      <Route path="/jobs/:job/boxes/:box/:stage" element={<JobFrame />} />
      <Route
        path="/proof"
        element={
          <Suspense fallback={<Waiting what="the page" />}>
            <ProofPage />
          </Suspense>
        }
      />
      <Route path="/practice" element={<PracticeBookPage />} />
      <Route path="/practice/:run" element={<PracticePage />} />
      <Route path="*" element={<Navigate to="/" replace />} />
    </Routes>
  );
}
