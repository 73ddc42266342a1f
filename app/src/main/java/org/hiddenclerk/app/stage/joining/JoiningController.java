package org.hiddenclerk.app.stage.joining;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.job.network.Networks;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.app.platform.finding.FindingView;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.app.stage.bench.Bench;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.joining.DeviceStanding;
import org.hiddenclerk.core.joining.JoinGuide;
import org.hiddenclerk.core.joining.Link;
import org.hiddenclerk.core.joining.Recognition;
import org.hiddenclerk.core.joining.Settings;
import org.hiddenclerk.core.joining.Window;
import org.hiddenclerk.core.naming.DeviceName;
import org.hiddenclerk.core.planned.PlannedBindings;
import org.hiddenclerk.core.planned.PlannedHouse;
import org.hiddenclerk.core.planned.PlannedLink;
import org.hiddenclerk.core.planned.PlannedModule;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The networks of a job: what is in, what waits, and which is which. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1")
@Tag(name = "join")
class JoiningController {
    private static final TypeReference<List<FindingView>> FINDINGS = new TypeReference<>() {};

    private final Joining joining;
    private final JoinTogether together;
    private final Outwards outwards;
    private final Members members;
    private final Networks networks;
    private final Bench bench;
    private final WiredLinks links;
    private final People people;
    private final JsonMapper json;
    private final Clock clock;

    JoiningController(
            Joining joining,
            JoinTogether together,
            Outwards outwards,
            Members members,
            Networks networks,
            Bench bench,
            WiredLinks links,
            People people,
            JsonMapper json,
            Clock clock) {
        this.joining = joining;
        this.together = together;
        this.outwards = outwards;
        this.members = members;
        this.networks = networks;
        this.bench = bench;
        this.links = links;
        this.people = people;
        this.json = json;
        this.clock = clock;
    }

    /** How well a device is heard, with the grade in words. */
    record LinkView(int figure, String unit, Link.Grade grade, String words) {}

    record DifferenceView(String key, String written, @MayBeAbsent String read) {}

    /** A device in a network. {@code candidates} are modules that it may still be; {@code reservation} is what keeps it from being done. */
    record DeviceView(
            UUID id,
            String address,
            String kind,
            String name,
            String firmware,
            int hops,
            boolean passesOn,
            boolean silent,
            @MayBeAbsent LinkView open,
            @MayBeAbsent LinkView closed,
            @MayBeAbsent UUID unit,
            @MayBeAbsent UUID box,
            @MayBeAbsent String place,
            boolean setUp,
            @MayBeAbsent Severity reservation,
            List<DifferenceView> differences,
            List<UUID> candidates,
            int channels,
            @MayBeAbsent Instant flippedAt) {}

    /** A module that is to come in. */
    record WaitingModuleView(
            UUID unit,
            @MayBeAbsent UUID box,
            String serial,
            String kind,
            String place,
            @MayBeAbsent String display,
            boolean hasCode,
            JoinGuide.Guide guide) {}

    /** A link that the wiring of a plan needs: how a command goes, why so, and how far it is. {@code box} is where it comes from. */
    record WiredLinkView(
            String id,
            @MayBeAbsent UUID box,
            String from,
            String to,
            String way,
            String reason,
            PlannedBindings.State state) {}

    /** A batch of modules that were let in together. */
    record JoinRunView(
            Protocol protocol,
            Instant begunAt,
            @MayBeAbsent Instant endedAt,
            int expected,
            List<FindingView> findings) {}

    /** One network: its window, limits, members, and what waits. */
    record NetworkView(
            Protocol protocol,
            String label,
            int least,
            int usual,
            int most,
            String source,
            @MayBeAbsent Instant closesAt,
            @MayBeAbsent String openedBy,
            List<DeviceView> devices,
            List<WaitingModuleView> waiting,
            int together,
            List<String> conflicts,
            boolean finished) {}

    record JoinView(
            boolean connected,
            Instant now,
            List<NetworkView> networks,
            List<FindingView> findings,
            List<WiredLinkView> links,
            List<JoinRunView> runs) {}

    record Opening(@NotNull Protocol protocol, int seconds) {}

    record Closing(@NotNull Protocol protocol) {}

    record Turning(int channel, boolean on) {}

    record Seeing(@NotNull UUID unit, boolean there) {}

    record Flipping(@NotNull UUID unit) {}

    record Covering(boolean closed) {}

    @GetMapping("/jobs/{job}/join")
    @Operation(operationId = "join")
    JoinView join(@PathVariable UUID job) {
        List<JoinedDeviceRow> rows = joining.devices(job);
        Map<UUID, Bench.Ready> modules = new HashMap<>();
        bench.modules(job).forEach(module -> modules.put(module.unit(), module));
        Map<Protocol, Recognition.Result> results = members.recognised(job);
        WiredLinks.State wired = links.of(job, modules.values(), rows);
        Set<Protocol> spoken = Joining.protocols(modules.values());
        rows.forEach(row -> spoken.add(row.protocol()));
        List<NetworkView> views = Arrays.stream(Protocol.values())
                .filter(spoken::contains)
                .map(protocol -> network(
                        job,
                        protocol,
                        rows.stream().filter(row -> row.protocol() == protocol).toList(),
                        modules,
                        wired,
                        results.get(protocol)))
                .toList();
        return new JoinView(
                networks.isThere(job),
                clock.instant(),
                views,
                DeviceStanding.findings(rows.stream()
                                .map(row -> standing(row, modules, wired))
                                .toList())
                        .stream()
                        .map(FindingView::of)
                        .toList(),
                wired.standings().stream()
                        .map(link -> view(wired.house(), link))
                        .toList(),
                together.of(job).stream()
                        .map(run -> new JoinRunView(
                                run.protocol(),
                                run.begunAt(),
                                run.endedAt().orElse(null),
                                run.expected(),
                                json.readValue(run.findings(), FINDINGS)))
                        .toList());
    }

    private static WiredLinkView view(PlannedHouse house, PlannedBindings.Standing standing) {
        PlannedLink link = standing.link();
        Optional<PlannedModule> from = house.module(link.input().module());
        Optional<PlannedModule> to = house.module(link.output().module());
        return new WiredLinkView(
                link.id(),
                from.map(module -> UUID.fromString(module.box())).orElse(null),
                from.map(module ->
                                module.place().label() + ", " + module.model().code())
                        .orElse(""),
                to.map(module -> module.place().label() + ", " + module.model().code()
                                + (module.loadNames().isEmpty() ? "" : ": " + module.loadNames()))
                        .orElse(""),
                link.way().words(),
                link.reason(),
                standing.state());
    }

    private NetworkView network(
            UUID job,
            Protocol protocol,
            List<JoinedDeviceRow> rows,
            Map<UUID, Bench.Ready> modules,
            WiredLinks.State wired,
            Recognition.Result result) {
        Window window = Window.of(protocol);
        Optional<JoinWindowRow> open = joining.windows(job).stream()
                .filter(row -> row.protocol() == protocol)
                .findFirst();
        List<WaitingModuleView> waiting =
                outwards.order(job, result.waiting().stream().map(modules::get).toList()).stream()
                        .map(m -> new WaitingModuleView(
                                m.unit(),
                                m.box().orElse(null),
                                m.serial(),
                                m.model().code(),
                                m.place(),
                                m.name().map(DeviceName::display).orElse(null),
                                bench.codeOf(m.unit()).isPresent(),
                                JoinGuide.of(m.model(), false)))
                        .toList();
        return new NetworkView(
                protocol,
                protocol.label(),
                window.least(),
                window.usual(),
                window.most(),
                window.source(),
                open.map(JoinWindowRow::closesAt).orElse(null),
                open.map(JoinWindowRow::openedBy).orElse(null),
                rows.stream().map(row -> device(row, modules, wired, result)).toList(),
                waiting,
                together.expected(job, protocol).size(),
                conflicts(result, modules),
                result.isFinished());
    }

    private static List<String> conflicts(Recognition.Result result, Map<UUID, Bench.Ready> modules) {
        return result.conflicts().stream()
                .map(conflict -> conflict.words(unit -> Optional.ofNullable(modules.get(unit))
                        .map(Bench.Ready::place)
                        .orElse("")))
                .toList();
    }

    private static DeviceView device(
            JoinedDeviceRow row, Map<UUID, Bench.Ready> modules, WiredLinks.State wired, Recognition.Result result) {
        Optional<Bench.Ready> module = row.unit().map(modules::get);
        DeviceStanding standing = standing(row, modules, wired);
        return new DeviceView(
                row.id(),
                row.address(),
                row.kind(),
                row.name(),
                row.firmware(),
                row.hops(),
                row.passesOn(),
                row.isSilent(),
                link(row, row.linkOpen()),
                link(row, row.linkClosed()),
                row.unit().orElse(null),
                module.flatMap(Bench.Ready::box).orElse(null),
                module.map(Bench.Ready::place).orElse(null),
                standing.isSetUp(),
                standing.reservation().orElse(null),
                standing.differences().stream()
                        .map(d -> new DifferenceView(
                                d.key(), d.written().orElse(""), d.read().orElse(null)))
                        .toList(),
                result.open().getOrDefault(row.address(), Set.of()).stream().toList(),
                modules.values().stream()
                        .filter(m -> m.model().code().equals(row.kind()))
                        .mapToInt(m -> m.model().channels().size())
                        .findFirst()
                        .orElse(1),
                row.flippedAt().orElse(null));
    }

    private static @MayBeAbsent LinkView link(JoinedDeviceRow row, Optional<Integer> figure) {
        return figure.map(f -> Link.of(row.protocol(), f))
                .map(link -> new LinkView(
                        link.figure(), link.unit(), link.grade(), link.grade().label()))
                .orElse(null);
    }

    private static DeviceStanding standing(
            JoinedDeviceRow row, Map<UUID, Bench.Ready> modules, WiredLinks.State wired) {
        Optional<Bench.Ready> module = row.unit().map(modules::get);
        boolean isSetUp = row.settings().isPresent()
                && module.flatMap(Bench.Ready::name)
                        .filter(name -> name.handle().equals(row.name()))
                        .isPresent();
        List<Settings.Difference> differences = row.settings().isPresent() && module.isPresent()
                ? Settings.differences(
                        wired.wanted(module.get()), row.settings().get())
                : List.of();
        return new DeviceStanding(
                module.map(Bench.Ready::place).orElse(row.address()),
                row.address(),
                row.protocol(),
                row.name(),
                module.isPresent(),
                row.isSilent(),
                isSetUp,
                differences,
                row.linkClosed().or(row::linkOpen).map(OptionalInt::of).orElse(OptionalInt.empty()));
    }

    @PostMapping("/jobs/{job}/join/window")
    @Operation(
            operationId = "openNetwork",
            summary = "Opens a network for modules to come in, or extends the time it is open")
    JoinView open(@PathVariable UUID job, @Valid @RequestBody Opening opening, Principal who) {
        joining.open(job, opening.protocol(), opening.seconds(), people.nameOf(who));
        return join(job);
    }

    @PostMapping("/jobs/{job}/join/close")
    @Operation(operationId = "closeNetwork")
    JoinView close(@PathVariable UUID job, @Valid @RequestBody Closing closing) {
        joining.close(job, closing.protocol());
        return join(job);
    }

    @PostMapping("/jobs/{job}/join/together")
    @Operation(
            operationId = "joinTogether",
            summary = "Lets in whatever has its code and address on record, names and sets it, in the background")
    JoinView together(@PathVariable UUID job, @Valid @RequestBody Closing which, Principal who) {
        together.begin(job, which.protocol(), people.nameOf(who));
        return join(job);
    }

    @PostMapping("/jobs/{job}/join/inventory")
    @Operation(
            operationId = "takeInventory",
            summary = "Asks every network who is there, and compares that with what was planned")
    JoinView takeInventory(@PathVariable UUID job) {
        joining.takeInventory(job);
        return join(job);
    }

    @PostMapping("/jobs/{job}/join/flipped")
    @Operation(
            operationId = "flippedAt",
            summary = "Somebody moved the wall switch at a module just now: the device that reported it is that module")
    JoinView flipped(@PathVariable UUID job, @Valid @RequestBody Flipping flipping, Principal who) {
        joining.flipped(job, flipping.unit(), people.nameOf(who));
        return join(job);
    }

    @PostMapping("/devices/{device}/switch")
    @Operation(operationId = "turnDevice")
    JoinView turn(@PathVariable UUID device, @Valid @RequestBody Turning turning, Principal who) {
        return join(joining.turn(device, turning.channel(), turning.on(), people.nameOf(who))
                .jobId());
    }

    @PostMapping("/devices/{device}/seen")
    @Operation(
            operationId = "deviceSeen",
            summary = "It was switched, and somebody saw what changed at a module, or that nothing did")
    JoinView seen(@PathVariable UUID device, @Valid @RequestBody Seeing seeing, Principal who) {
        return join(joining.seen(device, seeing.unit(), seeing.there(), people.nameOf(who))
                .jobId());
    }

    @PostMapping("/devices/{device}/unknown")
    @Operation(operationId = "deviceUnknown", summary = "Forgets what was seen of a device")
    JoinView unknown(@PathVariable UUID device) {
        return join(joining.forgetNotes(device).jobId());
    }

    @PostMapping("/devices/{device}/set-up")
    @Operation(operationId = "setUpDevice", summary = "Names a device, writes its settings and reads them back")
    JoinView setUp(@PathVariable UUID device) {
        return join(joining.setUp(device).jobId());
    }

    @PostMapping("/devices/{device}/link")
    @Operation(operationId = "readLink", summary = "Reads how well a device is heard, with its box open or closed")
    JoinView link(@PathVariable UUID device, @Valid @RequestBody Covering covering) {
        return join(joining.link(device, covering.closed()).jobId());
    }
}
