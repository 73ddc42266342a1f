package org.hiddenclerk.app.stage.joining;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.job.network.StandInHouses;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.bench.Bench;
import org.hiddenclerk.core.catalogue.DataSheet;
import org.hiddenclerk.standins.Fault;
import org.hiddenclerk.standins.Shows;
import org.hiddenclerk.standins.StandInHouse;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The stand-in house of a job, and the hands in it. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}/stand-in")
@Tag(name = "join")
class StandInController {
    private static final String FIRST_VERSION = "1.0.0";
    private static final int ROOMS = 9;

    private final StandInHouses houses;
    private final Bench bench;
    private final Members members;

    StandInController(StandInHouses houses, Bench bench, Members members) {
        this.houses = houses;
        this.bench = bench;
        this.members = members;
    }

    /** A module of the stand-in house: what somebody sees who stands before it, its indicator as its maker describes it. */
    record StandInModuleView(String serial, String place, List<Integer> lit, Shows shows, String pattern) {}

    record StandInView(boolean built, List<StandInModuleView> modules) {}

    /** @param faults by serial: what is wrong with a module */
    record Building(@NotNull @Size(max = 1000) Map<@NotBlank @Size(max = 80) String, @NotNull Fault> faults) {}

    /** What a hand does to a module. */
    enum Deed {
        PRESS_BUTTON,
        FLIP_SWITCH,
        COVER_ON,
        COVER_OFF
    }

    record Hand(@NotBlank @Size(max = 80) String serial, @NotNull Deed deed) {}

    @GetMapping
    @Operation(operationId = "standIn")
    StandInView standIn(@PathVariable UUID job) {
        Optional<StandInHouse> house = houses.of(job);
        return new StandInView(
                house.isPresent(),
                house.map(h -> bench.modules(job).stream()
                                .filter(m -> h.knows(m.serial()))
                                .map(m -> new StandInModuleView(
                                        m.serial(),
                                        m.place(),
                                        h.lit(m.serial()),
                                        h.shows(m.serial()),
                                        pattern(m, h.shows(m.serial()))))
                                .toList())
                        .orElse(List.of()));
    }

    private static String pattern(Bench.Ready module, Shows shows) {
        DataSheet sheet = module.model().sheet();
        return (switch (shows) {
                    case SEARCHING -> sheet.whileSearching();
                    case JOINED -> sheet.whenJoined();
                    case FAILED, UPDATING ->
                        sheet.indicators().stream()
                                .filter(indicator ->
                                        indicator.state().equals(shows.name().toLowerCase(java.util.Locale.ROOT)))
                                .findFirst();
                })
                .map(DataSheet.Indicator::pattern)
                .orElse("");
    }

    @PostMapping
    @Operation(
            operationId = "buildStandIn",
            summary =
                    "Builds a stand-in house with every module of the job's bench; modules on record as joined are in already")
    StandInView build(@PathVariable UUID job, @Valid @RequestBody Building building) {
        StandInHouse house = houses.build(job);
        Map<UUID, Members.Joined> in = new java.util.HashMap<>();
        members.joined(job).forEach(joined -> in.put(joined.unit(), joined));
        for (Bench.Ready module : bench.modules(job)) {
            if (house.knows(module.serial())) {
                continue;
            }
            Optional<Members.Joined> joined = Optional.ofNullable(in.get(module.unit()));
            String address = joined.map(Members.Joined::address)
                    .or(module::address)
                    .orElseGet(() -> String.format("02%014X", module.serial().hashCode()));
            house.bring(
                    module.serial(),
                    address,
                    module.model().protocol(),
                    module.model().code(),
                    Math.max(1, module.model().channels().size()),
                    module.model()
                            .sheet()
                            .meshRole()
                            .filter(role -> role == DataSheet.MeshRole.PASSES_ON)
                            .isPresent(),
                    2 + Math.floorMod(module.serial().hashCode(), ROOMS),
                    bench.codeOf(module.unit()).orElse("none"),
                    FIRST_VERSION,
                    Optional.ofNullable(building.faults().get(module.serial()))
                            .map(Set::of)
                            .orElse(Set.of()));
            joined.ifPresent(member -> house.isIn(module.serial(), member.name(), member.firmware(), member.address()));
        }
        return standIn(job);
    }

    @PostMapping("/hand")
    @Operation(
            operationId = "standInHand",
            summary = "Somebody in the stand-in house presses, flips, or puts a cover on")
    StandInView hand(@PathVariable UUID job, @Valid @RequestBody Hand hand) {
        StandInHouse house = houses.of(job)
                .filter(h -> h.knows(hand.serial()))
                .orElseThrow(() -> ProblemException.notFound("stand-in module"));
        switch (hand.deed()) {
            case PRESS_BUTTON -> house.press(hand.serial());
            case FLIP_SWITCH -> house.flip(hand.serial(), 1);
            case COVER_ON -> house.cover(hand.serial(), true);
            case COVER_OFF -> house.cover(hand.serial(), false);
        }
        return standIn(job);
    }
}
