package org.hiddenclerk.app.stage.firmware;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.JobsOfCallers;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Firmware that is due, over all jobs. */
@RestController
@Needs(Right.LISTS)
@RequestMapping("/api/v1/firmware/campaigns")
@Tag(name = "firmware")
class CampaignController {
    private final Campaigns campaigns;
    private final JobsOfCallers visible;

    CampaignController(Campaigns campaigns, JobsOfCallers visible) {
        this.campaigns = campaigns;
        this.visible = visible;
    }

    /** {@code running} counts what the modules run, by version. */
    record BehindView(UUID job, String name, int modules, Map<String, Long> running) {}

    record CampaignView(String kind, String newest, List<BehindView> jobs) {}

    @GetMapping
    @Operation(
            operationId = "firmwareCampaigns",
            summary = "Jobs whose modules run something older than the newest release that is kept")
    List<CampaignView> campaigns(Principal who) {
        Optional<Set<UUID>> theirs = visible.visibleTo(who);
        return campaigns.campaigns().stream()
                .map(campaign -> new CampaignView(
                        campaign.kind(),
                        campaign.newest(),
                        campaign.jobs().stream()
                                .filter(behind -> theirs.map(jobs -> jobs.contains(behind.job()))
                                        .orElse(true))
                                .map(behind ->
                                        new BehindView(behind.job(), behind.name(), behind.modules(), behind.running()))
                                .toList()))
                .filter(campaign -> !campaign.jobs().isEmpty())
                .toList();
    }
}
