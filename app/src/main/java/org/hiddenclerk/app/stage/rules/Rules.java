package org.hiddenclerk.app.stage.rules;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.house.StageKeeper;
import org.hiddenclerk.app.stage.planning.PlannedHouses;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.behaviour.Adviser;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.job.Stage;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.planned.PlannedHouse;
import org.hiddenclerk.core.planned.PlannedLink;
import org.hiddenclerk.core.planned.PlannedProgress;
import org.hiddenclerk.core.planned.Spot;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.Rule;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.core.rules.SentencePart;
import org.hiddenclerk.core.rules.Words;
import org.hiddenclerk.core.schedule.Location;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Links and rules of a house as they stand, and how far they are. What changes them is {@link RuleChanges}. */
@Service
public class Rules implements StageKeeper {
    private final RulesRepository rows;
    private final PlannedHouses planned;
    private final Houses houses;

    Rules(RulesRepository rows, PlannedHouses planned, Houses houses) {
        this.rows = rows;
        this.planned = planned;
        this.houses = houses;
    }

    /**
     * What is kept, with the house that it is about, links that belong to its wiring among the others. What names a
     * device that is no longer planned is left out and told.
     */
    record StoredRules(
            long version,
            RulesDocument document,
            PlannedHouses.Planned planned,
            RuledHouse house,
            List<String> lost,
            boolean undoable) {}

    @Transactional(readOnly = true)
    public StoredRules of(UUID job) {
        houses.job(job);
        Optional<RulesRow> row = rows.findById(job);
        RulesDocument document = row.map(r -> RuleJson.MAPPER.readValue(r.document(), RulesDocument.class))
                .orElse(RulesDocument.EMPTY);
        PlannedHouses.Planned plans = planned.of(job);
        RuledHouse bare = new RuledHouse(all(plans, document), List.of(), List.of());
        List<String> lost = new ArrayList<>();
        List<Rule> rules = document.rules().stream()
                .filter(rule -> keep(bare.withRules(List.of(rule)), "\"" + rule.name() + "\"", lost))
                .toList();
        List<PlannedLink> wired = plans.house().links();
        List<Link> links = Stream.concat(
                        wired.stream().map(PlannedLink::link),
                        document.links().stream()
                                .filter(link -> !isWired(wired, link.control(), link.output()))
                                .filter(link ->
                                        keep(new RuledHouse(bare.devices(), List.of(link), List.of()), "a link", lost)))
                .toList();
        return new StoredRules(
                row.map(RulesRow::version).orElse(0L),
                document,
                plans,
                new RuledHouse(bare.devices(), links, rules),
                lost,
                row.flatMap(RulesRow::previous).isPresent());
    }

    static boolean isWired(List<PlannedLink> wired, ControlId control, OutputId output) {
        return wired.stream()
                .map(PlannedLink::link)
                .anyMatch(
                        link -> link.control().equals(control) && link.output().equals(output));
    }

    private static boolean keep(RuledHouse with, String what, List<String> lost) {
        List<RuledHouse.Problem> problems = with.problems();
        if (!problems.isEmpty()) {
            lost.add(what + " names something that is no longer planned");
        }
        return problems.isEmpty();
    }

    static List<Device> all(PlannedHouses.Planned plans, RulesDocument document) {
        return Stream.concat(
                        plans.devices().stream().map(device -> declared(device, document)), document.things().stream())
                .toList();
    }

    private static Device declared(Device device, RulesDocument document) {
        return new Device(
                device.id(),
                device.name(),
                device.room(),
                device.protocol(),
                device.circuit(),
                device.direct(),
                device.outputs().stream()
                        .map(output -> document.declared().containsKey(output.id())
                                ? new Device.Output(
                                        output.id(),
                                        output.name(),
                                        output.drives(),
                                        document.declared().get(output.id()),
                                        output.dims())
                                : output)
                        .toList(),
                device.controls(),
                device.sensors());
    }

    /**
     * The house as it is planned, made to run by its rules.
     *
     * @param settings by control; one of which nobody said anything is set as is usual for how it acts
     */
    @Transactional(readOnly = true)
    public LivePlan livePlan(UUID job, Map<? extends HouseId, Parameters> settings) {
        StoredRules kept = of(job);
        PlannedHouses.Planned house = kept.planned();
        Map<HouseId, String> names = house.spots().stream()
                .collect(Collectors.toMap(spot -> spot.at().inHouse(), Spot::name));
        Map<HouseId, Parameters> all = new HashMap<>(settings);
        house.runs().stream()
                .flatMap(run -> run.plain().values().stream())
                .flatMap(plain -> plain.feeds().stream())
                .forEach(output -> all.putIfAbsent(
                        output,
                        Parameters.USUAL.withPowerOn(
                                Adviser.powerOnBehindASwitch().state())));
        kept.house()
                .controls()
                .values()
                .forEach(control -> all.computeIfAbsent(
                        control.id(),
                        id -> Parameters.USUAL.withPowerOn(
                                Adviser.powerOn(control.behaviour()).state())));
        return new LivePlan(
                kept.house(),
                house.runs(),
                all,
                house.worksAt(),
                names,
                kept.document().usualOrOwnDelays(),
                kept.document().whereabouts());
    }

    @Override
    public Stage stage() {
        return Stage.RULES;
    }

    /** Done for boxes whose modules some rule or link speaks of. */
    @Override
    @Transactional(readOnly = true)
    public Map<UUID, Stage.Progress> progress(UUID job) {
        Optional<RulesDocument> document =
                rows.findById(job).map(row -> RuleJson.MAPPER.readValue(row.document(), RulesDocument.class));
        if (document.isEmpty()) {
            return Map.of();
        }
        Set<HouseId> mentioned = Stream.concat(
                        document.get().rules().stream().map(Rule::ids),
                        document.get().links().stream().map(Link::ids))
                .flatMap(Set::stream)
                .collect(Collectors.toSet());
        return Boxes.keyed(PlannedProgress.ofMentions(planned.of(job).house(), mentioned));
    }

    /** Where the house is, if somebody said so. */
    @Transactional(readOnly = true)
    public Optional<Location> whereabouts(UUID job) {
        return rows.findById(job).flatMap(row -> RuleJson.MAPPER
                .readValue(row.document(), RulesDocument.class)
                .whereabouts());
    }

    /** Sentences of rules and links that speak of modules in some boxes, with the names that these have now. */
    @Transactional(readOnly = true)
    public List<String> sentencesAbout(UUID job, Set<UUID> boxes) {
        StoredRules kept = of(job);
        RuledHouse house = kept.house();
        PlannedHouse plans = kept.planned().house();
        List<String> about = new ArrayList<>();
        house.rules().stream()
                .filter(rule -> boxesNamed(plans, rule.ids()).anyMatch(boxes::contains))
                .forEach(rule -> about.add(SentencePart.plain(Words.of(house, rule))));
        house.links().stream()
                .filter(link -> boxesNamed(plans, link.ids()).anyMatch(boxes::contains))
                .forEach(link -> about.add(Words.of(house, link)));
        return about;
    }

    /** Boxes in which modules sit that a rule or link speaks of. */
    private static Stream<UUID> boxesNamed(PlannedHouse house, Set<HouseId> named) {
        return Boxes.keyed(PlannedProgress.ofMentions(house, named)).keySet().stream();
    }
}
