package org.hiddenclerk.app.job.settings;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.radio.Material;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What a house wants and where its rooms are; what the firm guesses with. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1")
@Tag(name = "match")
class SettingsController {
    private final HouseSettings settings;
    private final Houses houses;
    private final People people;

    SettingsController(HouseSettings settings, Houses houses, People people) {
        this.settings = settings;
        this.houses = houses;
        this.people = people;
    }

    /** Settings of a house as changed, and the version they were changed on. */
    record HouseSettingsChange(long version, @NotNull @Valid HouseDocument document) {}

    /** The settings of a house, the version they have, and what can be chosen in them. */
    record HouseSettingsView(
            long version, HouseDocument document, List<WallChoice> walls, List<NetworkChoice> networks) {}

    /** What walls can be made of. */
    record WallChoice(Material value, String label) {
        static List<WallChoice> all() {
            return Stream.of(Material.values())
                    .map(material -> new WallChoice(material, material.label()))
                    .toList();
        }
    }

    /** What a coordinator or access point can be of: one for all protocols that share a network. */
    record NetworkChoice(Protocol value, String label) {
        static List<NetworkChoice> all() {
            return Protocol.networks().stream()
                    .map(protocol -> new NetworkChoice(protocol, protocol.label()))
                    .toList();
        }
    }

    /** Shares of the resistive rating, by kind of load; common practice, no source. */
    record EstimatesView(long version, @NotNull @Size(max = 20) Map<LoadKind, @NotNull BigDecimal> shares) {}

    @GetMapping("/jobs/{job}/settings")
    @Operation(operationId = "houseSettings")
    HouseSettingsView house(@PathVariable UUID job) {
        var kept = settings.house(houses.job(job).id());
        return new HouseSettingsView(kept.version(), kept.document(), WallChoice.all(), NetworkChoice.all());
    }

    @PutMapping("/jobs/{job}/settings")
    @Operation(operationId = "keepHouseSettings")
    HouseSettingsView keepHouse(
            @PathVariable UUID job, @Valid @RequestBody HouseSettingsChange changed, Principal who) {
        settings.keep(houses.job(job).id(), changed.version(), changed.document(), people.nameOf(who));
        return house(job);
    }

    @GetMapping("/stock/estimates")
    @Needs(Right.FACTS)
    @Operation(operationId = "estimates")
    EstimatesView estimates() {
        var kept = settings.estimates();
        return new EstimatesView(kept.version(), kept.document().shares());
    }

    @PutMapping("/stock/estimates")
    @Needs(Right.LEAD)
    @Operation(operationId = "keepEstimates")
    EstimatesView keepEstimates(@Valid @RequestBody EstimatesView changed, Principal who) {
        settings.keepEstimates(changed.version(), changed.shares(), people.nameOf(who));
        return estimates();
    }

    /** How the firm buys and charges, and the version it has. */
    record TradeView(long version, @NotNull @Valid TradeDocument document) {}

    @GetMapping("/stock/trade")
    @Needs(Right.LEAD)
    @Operation(operationId = "trade")
    TradeView trade() {
        var kept = settings.trade();
        return new TradeView(kept.version(), kept.document());
    }

    @PutMapping("/stock/trade")
    @Needs(Right.LEAD)
    @Operation(operationId = "keepTrade", summary = "Currency, tax, what an hour costs, and shares of spares")
    TradeView keepTrade(@Valid @RequestBody TradeView changed, Principal who) {
        settings.keepTrade(changed.version(), changed.document(), people.nameOf(who));
        return trade();
    }
}
