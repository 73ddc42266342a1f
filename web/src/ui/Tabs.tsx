/** Pages of one sheet, side by side. */
export function Tabs<P extends string>({
  label,
  pages,
  page,
  onPage,
}: {
  label: string;
  pages: readonly P[];
  page: P;
  onPage: (page: P) => void;
}) {
  return (
    <div role="tablist" aria-label={label} className="border-base-content flex rounded-[4px] border-[1.5px]">
      {pages.map((each) => (
        <button
          key={each}
          type="button"
          role="tab"
          aria-selected={page === each}
          className={`px-3 py-1 text-[14px] ${page === each ? "bg-base-content text-base-100 font-semibold" : ""}`}
          onClick={() => onPage(each)}
        >
          {each}
        </button>
      ))}
    </div>
  );
}
