import { Link } from "react-router";

const PAGES = [
  { path: "", word: "House" },
  { path: "/match", word: "Match all" },
  { path: "/pick-list", word: "Pick list" },
  { path: "/bench", word: "Bench" },
  { path: "/day", word: "Day on site" },
  { path: "/join", word: "Join" },
  { path: "/firmware", word: "Firmware" },
  { path: "/rules", word: "Rules" },
  { path: "/live", word: "Live house" },
  { path: "/rooms", word: "Rooms and radio" },
  { path: "/hand-over", word: "Hand over" },
  { path: "/log", word: "Log book" },
];

/** The sheets of the house as a whole. */
export function HousePages({ job, page }: { job: string; page: string }) {
  return (
    <nav
      aria-label="Sheets of the house"
      className="no-print flex max-w-full gap-1 overflow-x-auto whitespace-nowrap sm:flex-wrap"
    >
      {PAGES.map(({ path, word }) => (
        <Link
          key={path}
          to={`/jobs/${job}${path}`}
          aria-current={page === path ? "page" : undefined}
          className={`rounded-[4px] border-[1.5px] px-3 py-1 text-[14px] ${
            page === path ? "border-base-content font-semibold" : "border-line hover:border-edge"
          }`}
        >
          {word}
        </Link>
      ))}
    </nav>
  );
}
