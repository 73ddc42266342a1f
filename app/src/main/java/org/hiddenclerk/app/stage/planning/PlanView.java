package org.hiddenclerk.app.stage.planning;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.app.platform.finding.FindingView;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.electrical.EveryState;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.solving.TruthTable;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.matching.PlanJudgement;
import org.hiddenclerk.core.wiring.MovedEnd;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.WallInput;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.drawing.Artwork;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing;
import org.hiddenclerk.core.wiring.paper.Caution;
import org.hiddenclerk.core.wiring.paper.Papers;
import org.hiddenclerk.core.wiring.paper.PartsToAdd;
import org.hiddenclerk.core.wiring.paper.Tools;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.run.Together;
import org.hiddenclerk.core.wiring.scheme.Assignment;

/** A plan with everything that is derived from it. @param opens boxes that its work opens, in their order; none while nothing is planned */
record PlanView(
        long version,
        List<PickEntry> picks,
        List<String> schemes,
        Verdict verdict,
        boolean mayBeIssued,
        int states,
        List<FindingView> findings,
        DrawnWiring before,
        @MayBeAbsent DrawnWiring after,
        List<GangSetting> settings,
        List<PartsToAdd.Item> parts,
        List<Papers> places,
        List<Papers.CutLine> cutList,
        List<String> tools,
        List<String> cautions,
        Map<String, String> names,
        List<String> circuits,
        List<PlaceEnds> ends,
        List<String> opens,
        List<AcceptedView> accepted,
        List<ReliedOn> reliesOn,
        @MayBeAbsent IssuedView issued,
        List<ChosenFrom> chosenFrom,
        List<Together> together) {

    /** A box at whose switches the ways for this one are chosen. */
    record ChosenFrom(UUID box, String label) {}

    /** What the verdict takes for granted; of a box, who left it so and when. */
    record ReliedOn(String what, @MayBeAbsent String by, @MayBeAbsent Instant at) {
        static List<ReliedOn> of(Boxes.Found found, List<String> more) {
            return Stream.concat(
                            Stream.concat(
                                            Stream.of(found.row()),
                                            found.neighbours().values().stream().map(Boxes.Neighbour::row))
                                    .map(row ->
                                            new ReliedOn("survey of " + row.label(), row.changedBy(), row.changedAt())),
                            more.stream().map(words -> new ReliedOn(words, null, null)))
                    .toList();
        }
    }

    /** What a person took on, with the reason. */
    record AcceptedView(
            UUID id,
            FindingCode code,
            String subject,
            String facts,
            String finding,
            String reason,
            String who,
            Instant when,
            boolean stillSo) {
        static AcceptedView of(AcceptedHoldRow row, PlanJudgement judgement) {
            return new AcceptedView(
                    row.id(),
                    row.code(),
                    row.subject(),
                    row.facts(),
                    row.finding(),
                    row.reason(),
                    row.acceptedBy(),
                    row.acceptedAt(),
                    judgement.accepted().stream().anyMatch(row::isAbout));
        }
    }

    /** A wiring as a drawing with every state of it. */
    record DrawnWiring(ArtworkView artwork, List<LiveRow> rows, List<LiveStep> steps) {
        static DrawnWiring of(BoxDrawing drawing, WiringPlan plan, Set<String> circuitsOff) {
            EveryState every = EveryState.of(plan.wiring(), plan.proof().truthTable(), circuitsOff);
            return new DrawnWiring(
                    ArtworkView.of(Artwork.of(drawing, Artwork.Insulations.COLOURS)),
                    every.rows().stream().map(LiveRow::of).toList(),
                    every.next().entrySet().stream()
                            .map(e -> new LiveStep(
                                    e.getKey().byElement(),
                                    e.getValue().entrySet().stream()
                                            .collect(Collectors.toMap(Map.Entry::getKey, next -> next.getValue()
                                                    .byElement()))))
                            .toList());
        }
    }

    /** One switching state with the nodes that are live in it and the amperes of its conductors. */
    record LiveRow(
            Map<String, Integer> switches,
            Map<String, Integer> channels,
            Map<String, TruthTable.LoadReading> loads,
            Map<String, TruthTable.ModuleReading> modules,
            List<List<String>> shorts,
            List<String> live,
            Map<String, Double> amps) {
        static LiveRow of(EveryState.Row row) {
            TruthTable.Row reading = row.reading();
            return new LiveRow(
                    reading.state().switches(),
                    reading.state().channels(),
                    reading.loads(),
                    reading.modules(),
                    reading.shorts(),
                    row.live().stream().map(NodeId::value).toList(),
                    row.amps());
        }
    }

    /** Positions of all that hangs together, and the positions that follow each operation. */
    record LiveStep(Map<String, Integer> positions, Map<String, Map<String, Integer>> after) {}

    /** The ends of the conductors in one box, and where an end can go. */
    record PlaceEnds(String place, List<EndNow> movable, List<EndChoice> choices) {
        static PlaceEnds of(ConnectedBoxes.Place place, BoxWiring wiring) {
            return new PlaceEnds(
                    place.label(),
                    MovedEnd.movableIn(place, wiring).stream()
                            .map(end -> new EndNow(
                                    end.wire(),
                                    end.secondEnd(),
                                    end.words(),
                                    end.at().key()))
                            .toList(),
                    MovedEnd.placesIn(wiring).stream()
                            .map(end -> new EndChoice(end.key(), wiring.words(end)))
                            .toList());
        }
    }

    /** An end of a conductor, with the key of where it is. */
    record EndNow(String wire, boolean secondEnd, String words, String at) {}

    /** A place for an end, by key and in words. */
    record EndChoice(String key, String words) {}

    /** How a gang's switch acts, and how else it could. */
    record GangSetting(
            int gang, String gangName, String moduleCode, InputBehaviour behaviour, List<BehaviourView> possible) {
        static GangSetting of(WallInput.OfGang of) {
            return new GangSetting(
                    of.gang().number(),
                    of.gang().gang().name(),
                    of.input().fitted().model().code(),
                    of.input().input().behaviour(),
                    of.input().choices().stream()
                            .map(behaviour -> new BehaviourView(behaviour, behaviour.label()))
                            .toList());
        }
    }

    /** A behaviour with its words. */
    record BehaviourView(InputBehaviour behaviour, String label) {}

    /** The last plan issued for the work, and whether it is still what its boxes are. @param box at which it was issued */
    record IssuedView(UUID box, String by, Instant at, int states, boolean current) {}

    static PlanView of(
            Boxes.Found found,
            List<Assignment> modules,
            PlanJudgement judgement,
            List<String> reliesOn,
            Optional<IssuedPlanRow> issued,
            boolean current,
            List<AcceptedHoldRow> accepted,
            Set<String> circuitsOff) {
        WiringPlan plan = judgement.plan();
        HouseContext house = found.house();
        Planner planner = new Planner(house, found.run());
        boolean planned = plan.planned().isPresent();
        WiringPlan surveyed = planned ? WiringPlan.surveyed(house, found.run()) : plan;
        List<Papers> places = plan.placesOfWork().stream()
                .map(place -> Papers.of(plan, place, house.region()))
                .toList();
        return new PlanView(
                found.row().version(),
                Picks.fromRows(found.picks()),
                modules.stream().map(module -> module.scheme().label()).toList(),
                judgement.verdict(),
                judgement.mayBeIssued(),
                plan.proof().truthTable().size(),
                judgement.findings().stream().map(FindingView::of).toList(),
                DrawnWiring.of(BoxDrawing.of(plan, false, house), surveyed, circuitsOff),
                planned ? DrawnWiring.of(BoxDrawing.of(plan, true, house), plan, circuitsOff) : null,
                WallInput.ofLead(plan, modules).stream().map(GangSetting::of).toList(),
                PartsToAdd.of(plan),
                places,
                Papers.cutList(places),
                Tools.of(plan, places),
                Caution.of(plan, house).stream().map(Caution::words).toList(),
                plan.names(),
                found.run().circuits().stream().map(house::label).sorted().toList(),
                plan.placesToTry().stream()
                        .map(place ->
                                PlaceEnds.of(place, plan.planned().orElseThrow().at(place)))
                        .toList(),
                planned ? plan.opens() : List.of(),
                accepted.stream().map(row -> AcceptedView.of(row, judgement)).toList(),
                ReliedOn.of(found, reliesOn),
                issued.map(row -> new IssuedView(row.boxId(), row.issuedBy(), row.issuedAt(), row.states(), current))
                        .orElse(null),
                planner.chosenFrom().stream()
                        .map(place -> new ChosenFrom(UUID.fromString(place.id()), place.label()))
                        .toList(),
                planner.together());
    }
}
