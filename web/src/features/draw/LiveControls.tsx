import type { Schemas } from "../../api/transport";
import { operated, type Positions, SUPPLY_BLINK, withRelaysOpen } from "./states";

type Props = {
  wiring: Schemas["DrawnWiring"];
  names: Record<string, string>;
  circuits: string[];
  off: string[];
  at: Positions;
  onGo: (at: Positions) => void;
  onOff: (off: string[]) => void;
  figures: boolean;
  onFigures: (shown: boolean) => void;
};

/** What can be done to a live drawing besides a hand on a switch: remote commands, circuits off, a break of the supply. */
export function LiveControls(props: Props) {
  const { wiring, names, circuits, off, at, onGo, onOff, figures, onFigures } = props;
  const channels = [...new Set(wiring.rows.flatMap((row) => Object.keys(row.channels)))];
  const blinks = wiring.steps.some((step) => SUPPLY_BLINK in step.after);
  return (
    <fieldset className="no-print mt-2 flex flex-wrap gap-2" aria-label="operate the drawing">
      {channels.map((channel) => (
        <button
          key={channel}
          type="button"
          className="btn btn-sm btn-outline"
          aria-pressed={at[channel] === 1}
          onClick={() => onGo(operated(wiring.steps, at, channel))}
        >
          remote {at[channel] === 1 ? "off" : "on"}, {channelName(channel, names, channels)}
        </button>
      ))}
      {blinks && (
        <button
          type="button"
          className="btn btn-sm btn-outline"
          onClick={() => onGo(operated(wiring.steps, at, SUPPLY_BLINK))}
        >
          blink the supply
        </button>
      )}
      {circuits.map((circuit) => {
        const isOff = off.includes(circuit);
        return (
          <button
            key={circuit}
            type="button"
            className={`btn btn-sm ${isOff ? "btn-neutral" : "btn-outline"}`}
            aria-pressed={isOff}
            onClick={() => {
              onOff(isOff ? off.filter((c) => c !== circuit) : [...off, circuit]);
              onGo(withRelaysOpen(wiring.rows, at));
            }}
          >
            circuit {circuit} {isOff ? "back on" : "off"}
          </button>
        );
      })}
      <button
        type="button"
        className={`btn btn-sm ${figures ? "btn-neutral" : "btn-outline"}`}
        aria-pressed={figures}
        onClick={() => onFigures(!figures)}
      >
        volts and amps
      </button>
    </fieldset>
  );
}

function channelName(channel: string, names: Record<string, string>, channels: string[]): string {
  const [module, number] = channel.split("/");
  const called = names[module ?? ""] ?? module;
  const several = channels.filter((other) => other.startsWith(`${module}/`)).length > 1;
  return several ? `${called} channel ${number}` : `${called}`;
}
