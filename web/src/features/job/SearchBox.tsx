import { useQuery } from "@tanstack/react-query";
import { type Ref, useDeferredValue, useId, useState } from "react";
import { useNavigate } from "react-router";
import type { Schemas } from "../../api/transport";
import { searchOptions } from "./api";

type Hit = { key: string; to: string; name: string; detail: string };

/** Finds boxes of this house, if one is open, at once, and everything else that is kept of any house a moment later. */
export function SearchBox({
  job,
  stage = "survey",
  ref,
}: {
  job?: Schemas["JobView"];
  stage?: string;
  ref: Ref<HTMLInputElement>;
}) {
  const [text, setText] = useState("");
  const [at, setAt] = useState(0);
  const navigate = useNavigate();
  const list = useId();
  const wanted = text.trim().toLowerCase();
  const elsewhere = useQuery(searchOptions(useDeferredValue(text.trim())));
  const here: Hit[] =
    wanted && job
      ? job.boxes
          .map((box) => ({ box, room: job.rooms.find((r) => r.id === box.roomId)?.name ?? "" }))
          .filter(({ box, room }) => `${room} ${box.label} ${box.summary}`.toLowerCase().includes(wanted))
          .slice(0, 6)
          .map(({ box, room }) => ({
            key: box.id,
            to: `/jobs/${job.id}/boxes/${box.id}/${stage}`,
            name: room,
            detail: `${box.label} · ${box.summary}`,
          }))
      : [];
  const others: Hit[] = (wanted ? (elsewhere.data ?? []) : [])
    .filter((hit) => !(hit.job === job?.id && here.some((own) => own.key === hit.box)))
    .slice(0, 8)
    .map((hit, i) => ({
      key: `${hit.kind} ${i}`,
      to: addressOf(hit),
      name: hit.title,
      detail: detailOf(hit, job?.id),
    }));
  const hits = [...here, ...others];
  const go = (to: string) => {
    setText("");
    setAt(0);
    navigate(to);
  };
  return (
    <div className="relative hidden w-[270px] sm:block">
      <span className="kbd-key pointer-events-none absolute top-1/2 left-2.5 z-10 -translate-y-1/2">/</span>
      <input
        ref={ref}
        className="input w-full pl-9"
        placeholder="find anything"
        aria-label="find anything"
        role="combobox"
        aria-expanded={hits.length > 0}
        aria-controls={list}
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          const hit = hits[at];
          if (event.key === "Enter" && hit) {
            go(hit.to);
            event.currentTarget.blur();
          } else if (event.key === "ArrowDown") {
            setAt(Math.min(hits.length - 1, at + 1));
          } else if (event.key === "ArrowUp") {
            setAt(Math.max(0, at - 1));
          } else if (event.key === "Escape") {
            setText("");
            event.currentTarget.blur();
          }
        }}
      />
      <div id={list} role="listbox" aria-label="found">
        {wanted && (
          <div className="bg-base-100 border-base-content absolute right-0 z-40 w-[420px] max-w-[90vw] mt-1 rounded-[4px] border-[1.5px] p-1">
            {hits.map((hit, index) => (
              <button
                key={hit.key}
                type="button"
                role="option"
                aria-selected={index === at}
                onMouseDown={(event) => event.preventDefault()}
                onClick={() => go(hit.to)}
                className={`block w-full rounded-[3px] px-2 py-1.5 text-left ${index === at ? "bg-base-300" : ""}`}
              >
                <b>{hit.name}</b> <span className="text-soft">{hit.detail}</span>
              </button>
            ))}
            {hits.length === 0 && (
              <p className="text-soft px-2 py-1.5 text-sm">
                {elsewhere.isFetching ? "Looking …" : "Nothing that is kept has this in it."}
              </p>
            )}
          </div>
        )}
      </div>
    </div>
  );
}

/** Where what was found is seen. */
function addressOf(hit: Schemas["HitView"]): string {
  const house = `/jobs/${hit.job}`;
  switch (hit.kind) {
    case "LOG":
      return `${house}/log?${new URLSearchParams(hit.box ? { box: hit.box } : { text: hit.title.split(" ").at(-1) ?? "" })}`;
    case "TEST":
      return hit.box ? `${house}/boxes/${hit.box}/hand-over` : `${house}/hand-over`;
    case "MODULE":
      return `${house}/bench`;
    case "DEVICE":
      return `${house}/join`;
    default:
      return hit.box ? `${house}/boxes/${hit.box}/survey` : house;
  }
}

const detailOf = (hit: Schemas["HitView"], here: string | undefined) =>
  [hit.label, hit.detail, hit.job === here ? "" : hit.jobName].filter(Boolean).join(" · ");
