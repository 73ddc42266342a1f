import { useQuery } from "@tanstack/react-query";
import type { Schemas } from "../../api/transport";
import { api } from "./api";
import { Failure } from "../../ui/Failure";
import { Sideways } from "../../ui/Sideways";

type Document = Schemas["HouseDocument"];

const WIFI = Array.from({ length: 13 }, (_, i) => i + 1);
/** The band that is drawn, in MHz. */
const FROM = 2400;
const TO = 2486;
const SCALE = 8;

/** Wi-Fi channels in use, and where between them the Zigbee network has room. */
export function ChannelsPart({ draft, setDraft }: { draft: Document; setDraft: (draft: Document) => void }) {
  const wifi = draft.wifiChannels ?? [];
  const plan = useQuery({
    queryKey: ["radio-plan", wifi],
    queryFn: () => api.radioPlan({ wifi }),
    placeholderData: (before) => before,
  });
  const own = plan.data?.channels.find((c) => c.channel === draft.zigbeeChannel);
  const toggle = (channel: number) =>
    setDraft({
      ...draft,
      wifiChannels: wifi.includes(channel) ? wifi.filter((c) => c !== channel) : [...wifi, channel],
    });
  return (
    <section className="mt-5">
      <h2 className="mb-1 text-[16px]">Radio channels at 2.4 GHz</h2>
      <fieldset className="mb-2 flex flex-wrap items-center gap-1">
        <legend className="text-soft mb-1 text-[14px]">Wi-Fi in use, here and next door</legend>
        {WIFI.map((channel) => (
          <button
            key={channel}
            type="button"
            aria-pressed={wifi.includes(channel)}
            aria-label={`Wi-Fi channel ${channel}`}
            className={`btn btn-sm font-mono w-10 ${wifi.includes(channel) ? "btn-neutral" : "btn-outline"}`}
            onClick={() => toggle(channel)}
          >
            {channel}
          </button>
        ))}
      </fieldset>
      {plan.isError && <Failure error={plan.error} onRetry={() => plan.refetch()} />}
      {plan.data && (
        <>
          <Band plan={plan.data} own={draft.zigbeeChannel ?? null} />
          <fieldset className="mt-2 flex flex-wrap items-center gap-1">
            <legend className="text-soft mb-1 text-[14px]">Zigbee network of this house</legend>
            {plan.data.channels.map((c) => (
              <button
                key={c.channel}
                type="button"
                aria-pressed={c.channel === draft.zigbeeChannel}
                aria-label={`Zigbee channel ${c.channel}, ${c.clear ? "clear" : "under Wi-Fi"}`}
                className={`btn btn-sm font-mono w-12 ${c.channel === draft.zigbeeChannel ? "btn-neutral" : "btn-outline"}`}
                onClick={() =>
                  setDraft({
                    ...draft,
                    zigbeeChannel: c.channel === draft.zigbeeChannel ? undefined : c.channel,
                  })
                }
              >
                {c.channel}
                {c.clear && <span aria-hidden>✓</span>}
              </button>
            ))}
          </fieldset>
          <p className="mt-2 max-w-prose text-[14px]">
            Best is {plan.data.best}, {plan.data.channels.find((c) => c.channel === plan.data.best)?.mhz} MHz
            {plan.data.channels.every((c) => !c.clear) && ": no channel is clear, it overlaps least"}.{" "}
            {own && !own.clear && `Channel ${own.channel} lies ${own.overlapMhz} MHz under Wi-Fi. `}
            {own?.weak && "Channel 26 often has less permitted power, and some devices lack it. "}
            Settle it before anything joins: when a network changes its channel every device must follow, and
            some, those on batteries first, have to be joined again.
          </p>
          <p className="text-soft text-[13px]">
            Centre frequencies of IEEE 802.15.4 and 802.11; what devices do on a change is common practice, no
            source.
          </p>
        </>
      )}
    </section>
  );
}

/** The band to scale: Wi-Fi as wide bars, channels below as narrow ones. */
function Band({ plan, own }: { plan: Schemas["ChannelAnswer"]; own: number | null }) {
  const x = (mhz: number) => (mhz - FROM) * SCALE;
  return (
    <Sideways label="the band, drawn to scale">
      <svg
        viewBox={`0 0 ${(TO - FROM) * SCALE} 76`}
        className="w-full min-w-[560px] max-w-3xl"
        role="img"
        aria-label={`Wi-Fi on ${plan.wifi.map((w) => w.channel).join(", ") || "no channel"}; clear are ${
          plan.channels
            .filter((c) => c.clear)
            .map((c) => c.channel)
            .join(", ") || "none"
        }`}
      >
        {plan.wifi.map((band) => (
          <g key={band.channel}>
            <rect
              x={x(band.from)}
              y={4}
              width={(band.to - band.from) * SCALE}
              height={26}
              rx={3}
              className="fill-base-300 stroke-edge"
              fillOpacity={0.7}
            />
            <text
              x={x((band.from + band.to) / 2)}
              y={21}
              textAnchor="middle"
              className="fill-base-content text-[11px]"
            >
              Wi-Fi {band.channel}
            </text>
          </g>
        ))}
        <line x1={0} y1={34} x2={(TO - FROM) * SCALE} y2={34} className="stroke-line" />
        {plan.channels.map((c) => (
          <g key={c.channel}>
            <rect
              x={x(c.band.from)}
              y={38}
              width={(c.band.to - c.band.from) * SCALE}
              height={20}
              rx={2}
              className={c.channel === own ? "fill-primary" : c.clear ? "fill-success" : "fill-base-300"}
            />
            <text
              x={x(c.mhz)}
              y={71}
              textAnchor="middle"
              className={`fill-base-content text-[11px] ${c.channel === plan.best ? "font-bold" : ""}`}
            >
              {c.channel}
            </text>
          </g>
        ))}
      </svg>
    </Sideways>
  );
}
