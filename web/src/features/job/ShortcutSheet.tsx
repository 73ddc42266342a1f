import { Overlay } from "../../ui/Overlay";

const KEYS: [string, string][] = [
  ["1 … 0", "stages"],
  ["↑ ↓", "walk the boxes"],
  ["← →", "states of the drawing"],
  ["/", "find a box, room or switch"],
  ["b a r", "before, after, restore"],
  ["m", "move an end of a conductor, to see what it breaks"],
  ["y n", "answer to the next test of a trace"],
  ["u U", "undo, redo in the survey"],
  ["t k", "box as text, keep the survey"],
  ["n", "another box like this one"],
  ["f p o x w", "your hands in Feel: flip, phone on and off, supply away, wait"],
  ["u", "undo in the rules"],
  ["1 … 7", "instruments at a practice wall"],
  ["i", "isolation sheet"],
  ["?", "this list"],
  ["Esc", "close"],
];

export function ShortcutSheet({ onClose }: { onClose: () => void }) {
  return (
    <Overlay title="Keys" onClose={onClose}>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-2">
        {KEYS.map(([key, what]) => (
          <div key={key} className="contents">
            <dt>
              <span className="kbd-key">{key}</span>
            </dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </Overlay>
  );
}
