import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { campaignsOptions } from "./api";

/** Firmware that is due, over all jobs. */
export function CampaignsPart() {
  const campaigns = useQuery(campaignsOptions);
  if (!campaigns.data || campaigns.data.length === 0) {
    return null;
  }
  return (
    <section aria-label="Firmware due" className="mb-8">
      <h2 className="mb-2 text-lg">Firmware due</h2>
      <ul className="space-y-1">
        {campaigns.data.map((campaign) => (
          <li key={campaign.kind}>
            <b className="font-mono">{campaign.kind}</b> to{" "}
            <span className="font-mono">{campaign.newest}</span>:{" "}
            {campaign.jobs.map((behind, i) => (
              <span key={behind.job}>
                {i > 0 && ", "}
                <Link
                  className="text-primary underline"
                  aria-label={`firmware of ${behind.name}`}
                  to={`/jobs/${behind.job}/firmware`}
                >
                  {behind.name}
                </Link>{" "}
                ({behind.modules} on {Object.keys(behind.running).join(", ")})
              </span>
            ))}
          </li>
        ))}
      </ul>
    </section>
  );
}
