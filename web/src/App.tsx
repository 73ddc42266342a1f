import { useQuery } from "@tanstack/react-query";
import { Navigate, Route, Routes } from "react-router";
import { sessionOptions } from "./api/queries";
import { DayBookPage } from "./features/daybook/DayBookPage";
import { JobFrame } from "./features/job/JobFrame";
import { PracticeBookPage } from "./features/practice/PracticeBookPage";
import { PracticePage } from "./features/practice/PracticePage";
import { LoginPage } from "./features/session/LoginPage";
import { StockBookPage } from "./features/stock/StockBookPage";
import { Failure } from "./ui/Failure";
import { Waiting } from "./ui/Waiting";

export function App() {
  const session = useQuery(sessionOptions);
  if (session.isPending) {
    return <Waiting what="the clerk" />;
  }
  if (session.isError) {
    return (
      <main className="mx-auto max-w-xl p-6">
        <Failure error={session.error} onRetry={() => session.refetch()} />
      </main>
    );
  }
  if (!session.data.loggedIn) {
    return <LoginPage setup={session.data.setupNeeded} />;
  }
  return (
    <Routes>
      <Route path="/" element={<DayBookPage />} />
      <Route path="/jobs/:job" element={<JobFrame />} />
      <Route path="/jobs/:job/match" element={<JobFrame page="/match" />} />
      <Route path="/jobs/:job/pick-list" element={<JobFrame page="/pick-list" />} />
      <Route path="/jobs/:job/bench" element={<JobFrame page="/bench" />} />
      <Route path="/jobs/:job/day" element={<JobFrame page="/day" />} />
      <Route path="/jobs/:job/join" element={<JobFrame page="/join" />} />
      <Route path="/jobs/:job/rules" element={<JobFrame page="/rules" />} />
      <Route path="/jobs/:job/firmware" element={<JobFrame page="/firmware" />} />
      <Route path="/jobs/:job/rooms" element={<JobFrame page="/rooms" />} />
      <Route path="/stock" element={<StockBookPage />} />
      <Route path="/jobs/:job/boxes/:box/:stage" element={<JobFrame />} />
      <Route path="/practice" element={<PracticeBookPage />} />
      <Route path="/practice/:run" element={<PracticePage />} />
      <Route path="*" element={<Navigate to="/" replace />} />
    </Routes>
  );
}
