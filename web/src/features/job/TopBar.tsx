import { useQuery, useQueryClient } from "@tanstack/react-query";
import { CircleUserRound, LogOut, MoonStar, PanelLeft, Sun } from "lucide-react";
import { type ReactNode, useState } from "react";
import { Link } from "react-router";
import { api } from "./api";
import { sessionOptions } from "../session/api";
import { Logo } from "../../ui/Logo";
import { currentTheme, setTheme } from "../../ui/theme";

/** Header: where one is, search, theme, who is logged in. */
export function TopBar({
  job,
  search,
  onRail,
}: {
  job?: { id: string; name: string };
  search?: ReactNode;
  onRail?: () => void;
}) {
  const session = useQuery(sessionOptions);
  const queries = useQueryClient();
  const [theme, show] = useState(currentTheme);
  const turn = () => {
    const next = theme === "cellar" ? "daylight" : "cellar";
    setTheme(next);
    show(next);
  };
  const leave = async () => {
    await api.logOut();
    navigator.serviceWorker?.controller?.postMessage("forget");
    queries.clear();
    window.location.assign("/");
  };
  return (
    <header className="no-print border-base-content flex h-[52px] shrink-0 items-center gap-3 border-b-2 px-3 sm:px-4">
      {onRail && (
        <button
          type="button"
          className="btn btn-ghost btn-square lg:hidden"
          onClick={onRail}
          aria-label="boxes"
        >
          <PanelLeft size={20} aria-hidden />
        </button>
      )}
      <Link to="/" className="flex shrink-0 items-center gap-2" aria-label="Hidden Clerk, day book">
        <Logo />
        <span className="font-head hidden text-lg font-bold md:inline">Hidden Clerk</span>
      </Link>
      <nav aria-label="Where you are" className="flex min-w-0 items-baseline gap-1.5">
        <Link to="/" className="text-soft hidden whitespace-nowrap hover:underline sm:inline">
          Day book
        </Link>
        {job && (
          <>
            <span className="text-soft hidden sm:inline" aria-hidden>
              ›
            </span>
            <Link to={`/jobs/${job.id}`} className="truncate font-semibold hover:underline">
              {job.name}
            </Link>
          </>
        )}
      </nav>
      <div className="flex-1" />
      {search}
      <button
        type="button"
        className="btn btn-ghost btn-square"
        onClick={turn}
        aria-label={theme === "cellar" ? "daylight theme" : "cellar theme, for work with the lights off"}
        title={theme === "cellar" ? "daylight" : "cellar: for work with the lights off"}
      >
        {theme === "cellar" ? <Sun size={19} aria-hidden /> : <MoonStar size={19} aria-hidden />}
      </button>
      <Link
        to="/account"
        className="btn btn-ghost px-2 font-mono text-sm font-normal whitespace-nowrap"
        aria-label={`your account, ${session.data?.displayName ?? ""}`}
      >
        <CircleUserRound size={19} aria-hidden className="sm:hidden" />
        <span className="hidden sm:inline">{session.data?.displayName}</span>
      </Link>
      <button
        type="button"
        className="btn btn-ghost btn-square"
        onClick={leave}
        aria-label="log out"
        title="log out"
      >
        <LogOut size={18} aria-hidden />
      </button>
    </header>
  );
}
