package org.hiddenclerk.app.stage.papers;

import java.time.Clock;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.house.JobRow;
import org.hiddenclerk.app.job.house.RoomRow;
import org.hiddenclerk.app.stage.bench.Bench;
import org.hiddenclerk.app.stage.bench.DeviceNames;
import org.hiddenclerk.app.stage.fitting.RunSheets;
import org.hiddenclerk.app.stage.handover.Handovers;
import org.hiddenclerk.app.stage.joining.Members;
import org.hiddenclerk.app.stage.planning.IssuedPlanRow;
import org.hiddenclerk.app.stage.planning.PlannedHouses;
import org.hiddenclerk.app.stage.planning.Plans;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.handover.HandoverRecord;
import org.hiddenclerk.core.handover.HouseholdGuide;
import org.hiddenclerk.core.handover.SettingWords;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.planned.PlannedHouse;
import org.hiddenclerk.core.planned.PlannedId;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Rule;
import org.hiddenclerk.core.rules.SentencePart;
import org.hiddenclerk.core.rules.Words;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Gathers what papers say of a house. */
@Component
class HouseFactsReader {
    static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", java.util.Locale.ENGLISH)
            .withZone(ZoneOffset.UTC);

    private final Houses houses;
    private final Boxes boxes;
    private final Plans plans;
    private final Handovers handovers;
    private final RunSheets sheets;
    private final PlannedHouses planned;
    private final Bench bench;
    private final DeviceNames names;
    private final Members members;
    private final Clock clock;

    HouseFactsReader(
            Houses houses,
            Boxes boxes,
            Plans plans,
            Handovers handovers,
            RunSheets sheets,
            PlannedHouses planned,
            Bench bench,
            DeviceNames names,
            Members members,
            Clock clock) {
        this.houses = houses;
        this.boxes = boxes;
        this.plans = plans;
        this.handovers = handovers;
        this.sheets = sheets;
        this.planned = planned;
        this.bench = bench;
        this.names = names;
        this.members = members;
        this.clock = clock;
    }

    /** @param who makes the papers */
    @Transactional(readOnly = true)
    public HouseFacts of(UUID job, String who) {
        JobRow row = houses.job(job);
        HouseContext house = houses.context(job);
        Handovers.Held held = handovers.of(job);
        Reading reading = new Reading(
                job,
                house,
                held,
                plans.circumstances(job),
                plans.lastIssuedByBox(job),
                sheets.readings(job, house),
                modules(job, held.plan()),
                held.byBox());
        Map<UUID, List<BoxRow>> byRoom = boxes.ofJob(job).stream()
                .collect(Collectors.groupingBy(BoxRow::roomId, LinkedHashMap::new, Collectors.toList()));
        List<HouseFacts.Room> rooms = houses.rooms(job).stream()
                .map(room -> new HouseFacts.Room(
                        room.id(),
                        room.name(),
                        room.storey(),
                        byRoom.getOrDefault(room.id(), List.of()).stream()
                                .map(box -> box(box, room, reading))
                                .toList()))
                .toList();
        List<Circuit> circuits = house.circuits().values().stream()
                .sorted(java.util.Comparator.comparing(
                                (Circuit circuit) -> circuit.label().length())
                        .thenComparing(Circuit::label))
                .toList();
        return new HouseFacts(
                row.name(),
                row.place(),
                house,
                circuits,
                rooms,
                held,
                sentences(held.plan()),
                guide(job, held.plan(), rooms),
                clock.instant(),
                who);
    }

    private record Reading(
            UUID job,
            HouseContext house,
            Handovers.Held held,
            Plans.Circumstances circumstances,
            Map<UUID, IssuedPlanRow> issued,
            Map<UUID, List<RunSheets.Made>> readings,
            Map<String, List<HouseFacts.Module>> modules,
            Map<UUID, List<HandoverRecord.Line>> tests) {}

    private HouseFacts.Box box(BoxRow row, RoomRow room, Reading reading) {
        Boxes.Found found = boxes.found(row, reading.job(), reading.house());
        Optional<IssuedPlanRow> issued =
                Optional.ofNullable(reading.issued().get(row.id())).filter(plan -> plans.isCurrent(plan, found));
        return new HouseFacts.Box(
                row.id(),
                row.label(),
                room.name(),
                row.kind().label(),
                !row.picks().isEmpty(),
                found.box().gangs(),
                () -> issued.map(plan -> plans.restore(plan, reading.house()))
                        .orElseGet(() ->
                                plans.judge(found, reading.circumstances()).plan()),
                issued.map(plan -> plan.issuedBy() + ", " + MOMENT.format(plan.issuedAt())),
                reading.modules().getOrDefault(row.id().toString(), List.of()),
                reading.readings().getOrDefault(row.id(), List.of()),
                reading.tests().getOrDefault(row.id(), List.of()));
    }

    private Map<String, List<HouseFacts.Module>> modules(UUID job, LivePlan plan) {
        List<Device> devices = plan.house().devices().stream()
                .filter(device -> PlannedId.moduleOf(device.id()).isPresent())
                .toList();
        Map<DeviceId, Bench.Ready> units = new HashMap<>();
        bench.modules(job).forEach(unit -> unit.planned().ifPresent(place -> units.put(place.inHouse(), unit)));
        Map<UUID, Members.Joined> joined =
                members.joined(job).stream().collect(Collectors.toMap(Members.Joined::unit, member -> member));
        Map<DeviceId, String> handles = names.handles(job);
        PlannedHouse house = planned.of(job).house();
        Map<String, List<HouseFacts.Module>> modules = new LinkedHashMap<>();
        for (Device device : devices) {
            Optional<Bench.Ready> unit = Optional.ofNullable(units.get(device.id()));
            Optional<Members.Joined> member = unit.map(each -> joined.get(each.unit()));
            PlannedId.Module id = PlannedId.moduleOf(device.id()).orElseThrow();
            modules.computeIfAbsent(house.boxOf(device.id()).orElse(id.box()), box -> new ArrayList<>())
                    .add(new HouseFacts.Module(
                            id.key(),
                            house.module(id)
                                    .map(module -> module.model().code())
                                    .orElse(""),
                            unit.flatMap(Bench.Ready::name)
                                    .map(name -> name.display() + " (" + name.handle() + ")")
                                    .orElse(handles.getOrDefault(device.id(), "")),
                            unit.map(Bench.Ready::serial).orElse(""),
                            member.map(Members.Joined::address)
                                    .or(() -> unit.flatMap(Bench.Ready::address))
                                    .orElse(""),
                            member.map(Members.Joined::firmware).orElse(""),
                            device.protocol().label(),
                            settings(plan, device)));
        }
        return modules;
    }

    private static List<String> settings(LivePlan plan, Device device) {
        return device.controls().stream()
                .map(control ->
                        plan.handsOf(control.id()).stream().map(plan::nameOf).collect(Collectors.joining(" and "))
                                + ": "
                                + String.join(
                                        ", ",
                                        SettingWords.of(
                                                control.behaviour(),
                                                plan.settings().getOrDefault(control.id(), Parameters.USUAL))))
                .toList();
    }

    private static List<String> sentences(LivePlan plan) {
        return Stream.concat(
                        plan.house().links().stream().map(link -> Words.of(plan.house(), link)),
                        plan.house().rules().stream()
                                .map(rule -> rule.name() + ": " + SentencePart.plain(Words.of(plan.house(), rule))
                                        + (rule.enabled() ? "" : " (put aside)") + where(rule)))
                .toList();
    }

    private static String where(Rule rule) {
        return " Runs " + rule.on().words() + ".";
    }

    private Map<UUID, HouseholdGuide.Page> guide(UUID job, LivePlan plan, List<HouseFacts.Room> rooms) {
        PlannedHouses.Planned house = planned.of(job);
        Map<String, List<HouseholdGuide.WallSwitch>> switches = new LinkedHashMap<>();
        Map<String, List<OutputId>> outputs = new LinkedHashMap<>();
        for (HouseFacts.Room room : rooms) {
            switches.put(
                    room.id().toString(),
                    room.boxes().stream()
                            .flatMap(box -> box.gangs().stream()
                                    .map(gang -> new HouseholdGuide.WallSwitch(
                                            box.switchId(gang).inHouse(), gang.name())))
                            .filter(at -> house.spots().stream()
                                    .anyMatch(spot -> spot.id().equals(at.id().text())))
                            .toList());
            outputs.put(
                    room.id().toString(),
                    plan.house().devices().stream()
                            .filter(device -> device.room().equals(room.name()))
                            .flatMap(device -> device.outputs().stream())
                            .map(Device.Output::id)
                            .toList());
        }
        Map<UUID, HouseholdGuide.Page> pages = new LinkedHashMap<>();
        HouseholdGuide.of(plan, switches, outputs).forEach((room, page) -> pages.put(UUID.fromString(room), page));
        return pages;
    }
}
