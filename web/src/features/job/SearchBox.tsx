import { type Ref, useId, useState } from "react";
import { useNavigate } from "react-router";
import type { Schemas } from "../../api/client";

/** Finds a box by room, label or gang. */
export function SearchBox({
  job,
  stage,
  ref,
}: {
  job: Schemas["JobView"];
  stage: string;
  ref: Ref<HTMLInputElement>;
}) {
  const [text, setText] = useState("");
  const [at, setAt] = useState(0);
  const navigate = useNavigate();
  const list = useId();
  const wanted = text.trim().toLowerCase();
  const hits = wanted
    ? job.boxes
        .map((box) => ({ box, room: job.rooms.find((r) => r.id === box.roomId)?.name ?? "" }))
        .filter(({ box, room }) => `${room} ${box.label} ${box.summary}`.toLowerCase().includes(wanted))
        .slice(0, 8)
    : [];
  const go = (box: string) => {
    setText("");
    setAt(0);
    navigate(`/jobs/${job.id}/boxes/${box}/${stage}`);
  };
  return (
    <div className="relative hidden w-[270px] sm:block">
      <span className="kbd-key pointer-events-none absolute top-1/2 left-2.5 z-10 -translate-y-1/2">/</span>
      <input
        ref={ref}
        className="input w-full pl-9"
        placeholder="find a box, room or switch"
        aria-label="find a box, room or switch"
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
            go(hit.box.id);
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
          <div className="bg-base-100 border-base-content absolute right-0 left-0 z-40 mt-1 rounded-[4px] border-[1.5px] p-1">
            {hits.map(({ box, room }, index) => (
              <button
                key={box.id}
                type="button"
                role="option"
                aria-selected={index === at}
                onMouseDown={(event) => event.preventDefault()}
                onClick={() => go(box.id)}
                className={`block w-full rounded-[3px] px-2 py-1.5 text-left ${index === at ? "bg-base-300" : ""}`}
              >
                <b>{room}</b> <span className="text-soft">{`${box.label} · ${box.summary}`}</span>
              </button>
            ))}
            {hits.length === 0 && (
              <p className="text-soft px-2 py-1.5 text-sm">Nothing here has this in its name.</p>
            )}
          </div>
        )}
      </div>
    </div>
  );
}
