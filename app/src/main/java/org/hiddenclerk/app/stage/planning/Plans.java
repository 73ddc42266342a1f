package org.hiddenclerk.app.stage.planning;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.hiddenclerk.app.job.settings.HouseSettings;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.survey.BoxRepository;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.app.stage.survey.ChangesOfIssuedWork;
import org.hiddenclerk.app.stage.survey.CircuitSums;
import org.hiddenclerk.app.stage.survey.OpenWork;
import org.hiddenclerk.app.stage.survey.SurveyDocument;
import org.hiddenclerk.app.stage.survey.SurveyReader;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.matching.PlanJudgement;
import org.hiddenclerk.core.matching.Reliance;
import org.hiddenclerk.core.matching.module.InstalledFirmware;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.matching.survey.CircuitSum;
import org.hiddenclerk.core.planned.PlannedWork;
import org.hiddenclerk.core.wiring.MovedEnd;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Choosing modules for a box and issuing the plan that comes of it. */
@Service
public class Plans {
    private final Boxes boxes;
    private final BoxRepository boxRepository;
    private final IssuedPlanRepository issued;
    private final Picks picks;
    private final OpenWork openWork;
    private final ChangesOfIssuedWork issuedWork;
    private final JsonMapper json;
    private final Clock clock;
    private final FirmwareInHouse firmware;
    private final HouseSettings settings;
    private final Acceptances acceptances;
    private final CircuitSums circuitSums;
    /** Asked for late: whoever keeps readings writes into surveys, and surveys know plans. */
    private final ObjectProvider<FieldReadings> readings;

    Plans(
            Boxes boxes,
            BoxRepository boxRepository,
            IssuedPlanRepository issued,
            Picks picks,
            OpenWork openWork,
            ChangesOfIssuedWork issuedWork,
            JsonMapper json,
            Clock clock,
            HouseSettings settings,
            Acceptances acceptances,
            FirmwareInHouse firmware,
            CircuitSums circuitSums,
            ObjectProvider<FieldReadings> readings) {
        this.boxes = boxes;
        this.boxRepository = boxRepository;
        this.issued = issued;
        this.picks = picks;
        this.openWork = openWork;
        this.issuedWork = issuedWork;
        this.json = json;
        this.clock = clock;
        this.firmware = firmware;
        this.settings = settings;
        this.acceptances = acceptances;
        this.circuitSums = circuitSums;
        this.readings = readings;
    }

    /** What is picked for a box. */
    List<Assignment> assignments(Boxes.Found found) {
        return picks.assignments(Picks.fromRows(found.picks()), found.box());
    }

    /**
     * What judgements of a house depend on beside its boxes.
     *
     * @param versions changes with the settings of the house and the firm
     * @param accepted what people took on, by box
     * @param installed what modules that have joined run, by box and module code
     * @param read      where something was read on site
     * @param circuits  what all loads of each circuit come to
     */
    public record Circumstances(
            Terms terms,
            String versions,
            Map<UUID, List<AcceptedHoldRow>> accepted,
            Map<UUID, Map<String, InstalledFirmware>> installed,
            FieldReadings.Read read,
            List<CircuitSum> circuits) {
        /** What of it concerns one box: changes when its judgement may. */
        public String of(UUID box) {
            return versions
                    + read.stamp()
                    + circuits.stream()
                            .flatMap(sum -> sum.findings().stream())
                            .map(f -> f.subject().key() + f.sentence().facts())
                            .toList()
                    + accepted.getOrDefault(box, List.of()).stream()
                            .map(row -> row.id().toString())
                            .toList()
                    + installed.getOrDefault(box, Map.of());
        }
    }

    public Circumstances circumstances(UUID job) {
        return new Circumstances(
                settings.terms(job),
                settings.house(job).version() + "/" + settings.estimates().version(),
                acceptances.ofJob(job),
                firmware.ofJob(job),
                readings.getObject().in(job),
                circuitSums.of(job));
    }

    /** What the stock book says of the modules picked for a box and its neighbours: changes when their judgement may. */
    public Map<String, String> modules(Boxes.Found found) {
        Map<String, String> modules = new LinkedHashMap<>(picks.modules(found.picks()));
        found.neighbours()
                .values()
                .forEach(neighbour ->
                        modules.putAll(picks.modules(neighbour.row().picks())));
        return modules;
    }

    /** Judges what is picked for a box. */
    public PlanJudgement judge(Boxes.Found found) {
        return judge(found, circumstances(found.job()));
    }

    /** Judges what might be picked for a box instead. */
    PlanJudgement judge(Boxes.Found found, List<PickEntry> instead) {
        return judge(found, instead, circumstances(found.job()));
    }

    /** Judges what is picked for a box of a house whose circumstances are known. */
    public PlanJudgement judge(Boxes.Found found, Circumstances circumstances) {
        return judge(found, Picks.fromRows(found.picks()), circumstances);
    }

    /** What a judgement of what is picked takes for granted, beside the surveys themselves. */
    List<String> reliesOn(Boxes.Found found) {
        return Reliance.of(
                found.house(),
                found.run(),
                assignments(found),
                readings.getObject().evidence(found, readings.getObject().in(found.job())));
    }

    private PlanJudgement judge(Boxes.Found found, List<PickEntry> chosen, Circumstances circumstances) {
        Map<String, Given> given = new LinkedHashMap<>();
        found.neighbours()
                .forEach((id, neighbour) -> given.put(
                        id,
                        new Given(
                                neighbour.box(), Picks.fromRows(neighbour.row().picks()))));
        List<Assignment> modules = picks.assignments(chosen, found.box());
        PlanJudgement judgement = PlanJudgement.of(
                        planner(found.house(), found.run(), given),
                        modules,
                        others(found.run(), given),
                        circumstances.terms())
                .withInstalled(
                        modules,
                        circumstances.installed().getOrDefault(found.row().id(), Map.of()))
                .withCircuits(circumstances.circuits())
                .withEvidence(readings.getObject().evidence(found, circumstances.read()));
        List<AcceptedHoldRow> accepted =
                circumstances.accepted().getOrDefault(found.row().id(), List.of());
        return judgement.accepting(finding -> accepted.stream().anyMatch(row -> row.isAbout(finding)));
    }

    /** What was picked for a box and its neighbours, without picks for these gangs or loads: they are to be chosen anew. */
    Map<ConnectedBoxes.Place, List<Assignment>> pickedBeside(
            Boxes.Found found, List<Integer> gangs, List<Integer> loads) {
        Map<String, Given> given = new LinkedHashMap<>();
        found.neighbours()
                .forEach((id, neighbour) -> given.put(
                        id,
                        new Given(
                                neighbour.box(), Picks.fromRows(neighbour.row().picks()))));
        Map<ConnectedBoxes.Place, List<Assignment>> picked = others(found.run(), given);
        picked.put(
                found.run().lead(),
                assignments(found).stream()
                        .filter(own ->
                                Collections.disjoint(own.gangs(), gangs) && Collections.disjoint(own.loads(), loads))
                        .toList());
        return picked;
    }

    private static Planner planner(HouseContext house, ConnectedBoxes run, Map<String, Given> given) {
        return new Planner(
                house,
                run,
                given.entrySet().stream()
                        .filter(e -> !e.getValue().picks().isEmpty())
                        .map(Map.Entry::getKey)
                        .collect(Collectors.toSet()));
    }

    /** The plan of everything that hangs together with a box, with its modules as they are known in the house. */
    public PlannedWork work(Boxes.Found found, Circumstances circumstances) {
        List<PlannedWork.Owner> owners =
                new ArrayList<>(owners(found.row().id().toString(), found.picks(), found.box()));
        found.run().boxes().stream()
                .map(place -> found.neighbours().get(place.id()))
                .filter(Objects::nonNull)
                .forEach(neighbour -> owners.addAll(
                        owners(neighbour.row().id().toString(), neighbour.row().picks(), neighbour.box())));
        Map<String, String> labels = found.house().circuits().values().stream()
                .collect(Collectors.toMap(circuit -> circuit.id().value(), Circuit::label));
        return PlannedWork.of(judge(found, circumstances).plan(), owners, labels);
    }

    private List<PlannedWork.Owner> owners(String id, List<BoxRow.PickPart> rows, Box box) {
        List<Assignment> assignments = picks.assignments(Picks.fromRows(rows), box);
        return IntStream.range(0, assignments.size())
                .mapToObj(i -> new PlannedWork.Owner(id, i + 1, assignments.get(i)))
                .toList();
    }

    /** What was picked for another box. */
    private record Given(Box box, List<PickEntry> picks) {}

    private Map<ConnectedBoxes.Place, List<Assignment>> others(ConnectedBoxes run, Map<String, Given> given) {
        Map<ConnectedBoxes.Place, List<Assignment>> others = new LinkedHashMap<>();
        for (ConnectedBoxes.Place place : run.boxes()) {
            Given own = given.get(place.id());
            if (own != null && !own.picks().isEmpty()) {
                others.put(place, picks.assignments(own.picks(), own.box()));
            }
        }
        return others;
    }

    /**
     * The plan with ends of conductors put elsewhere.
     *
     * @throws ProblemException when there is no plan, or with the pointer of the move that can't be
     */
    WiringPlan with(Boxes.Found found, List<EndMove> moves) {
        WiringPlan plan = judge(found).plan();
        if (plan.planned().isEmpty()) {
            throw ProblemException.conflict("There is no plan to try this on. Pick a module first.");
        }
        List<MovedEnd> ends = new ArrayList<>();
        for (int i = 0; i < moves.size(); i++) {
            try {
                ends.add(new MovedEnd(
                        moves.get(i).wire(),
                        moves.get(i).secondEnd(),
                        End.ofKey(moves.get(i).to())));
            } catch (IllegalArgumentException e) {
                throw ProblemException.content(
                        "The end cannot go there",
                        new FieldProblem(
                                "/moves/" + i + "/to",
                                moves.get(i).to(),
                                "a terminal, a connector or capped, by its key"));
            }
        }
        return plan.with(ends, found.house()).orElseThrow(() -> {
            int first = 0;
            while (plan.with(ends.subList(0, first + 1), found.house()).isPresent()) {
                first++;
            }
            return ProblemException.content(
                    "The end cannot go there",
                    new FieldProblem(
                            "/moves/" + first,
                            moves.get(first).wire() + " to " + moves.get(first).to(),
                            "a conductor of the plan, and a place in its own box"));
        });
    }

    /** What is picked for a box, in the order of the picks. */
    @Transactional(readOnly = true)
    public List<Assignment> assignments(UUID box) {
        return assignments(boxes.find(box));
    }

    /** Lets a switch act otherwise. */
    @Transactional
    public void changeBehaviour(UUID box, long version, int gang, InputBehaviour behaviour, String who) {
        List<PickEntry> changed = Picks.fromRows(boxes.find(box).picks()).stream()
                .map(pick -> pick.gangs().contains(gang) ? pick.with(gang, behaviour) : pick)
                .toList();
        choose(box, version, changed, who);
    }

    /** Keeps a choice of modules, in place of the earlier one. */
    @Transactional
    public void choose(UUID box, long version, List<PickEntry> chosen, String who) {
        Boxes.Found found = boxes.findUnchanged(box, version);
        openWork.refuseIfOpen(box);
        issuedWork.refuseUnlessMeant(found);
        picks.assignments(chosen, found.box());
        found.row().pick(Picks.toRows(chosen));
        found.row().changed(who, clock.instant().truncatedTo(ChronoUnit.MICROS));
        boxRepository.saveAndFlush(found.row());
    }

    /**
     * Issues the plan for work.
     *
     * @throws ProblemException when the plan is not drawn or its verdict is not OK: such a plan is never issued
     */
    @Transactional
    public void issue(UUID box, long version, String who) {
        Boxes.Found found = boxes.findUnchanged(box, version);
        openWork.refuseIfOpen(box);
        PlanJudgement judgement = judge(found);
        if (!judgement.mayBeIssued()) {
            List<FieldProblem> reasons = judgement.findings().stream()
                    .filter(f -> f.severity() != Severity.NOTE
                            && !judgement.accepted().contains(f))
                    .map(f -> new FieldProblem(
                            "",
                            f.code() + ": " + f.reason(),
                            f.remedies().isEmpty()
                                    ? "no such finding"
                                    : f.remedies().get(0).text()))
                    .toList();
            throw ProblemException.content(
                    "A plan that is not proved is not issued for work",
                    reasons.isEmpty()
                            ? List.of(new FieldProblem("", "no module picked", "a module for at least one gang"))
                            : reasons);
        }
        if (lastIssued(box).filter(last -> isCurrent(last, found)).isPresent()) {
            // The work is issued, here or at another of its boxes.
            return;
        }
        issued.save(new IssuedPlanRow(
                box,
                found.row().version(),
                json.writeValueAsString(found.survey()),
                json.writeValueAsString(Picks.fromRows(found.picks())),
                json.writeValueAsString(found.neighbours().values().stream()
                        .map(Plans::snapshot)
                        .toList()),
                json.writeValueAsString(modules(found)),
                judgement.plan().proof().truthTable().size(),
                judgement.plan().opens().stream().map(UUID::fromString).toList(),
                who,
                clock.instant().truncatedTo(ChronoUnit.MICROS)));
    }

    /** The last issued plan of the work that a box belongs to, whichever of its boxes it was issued at. */
    public Optional<IssuedPlanRow> lastIssued(UUID box) {
        return Stream.concat(
                        issued.findFirstByBoxIdOrderByIssuedAtDesc(box).stream(),
                        issued.findThatOpen(box, Limit.of(1)).stream())
                .max(Comparator.comparing(IssuedPlanRow::issuedAt));
    }

    /** The last issued plan of each box of a job, at every box of its work. */
    public Map<UUID, IssuedPlanRow> lastIssuedByBox(UUID job) {
        Map<UUID, IssuedPlanRow> last = new LinkedHashMap<>();
        issued.findByJob(job).forEach(plan -> plan.boxes().forEach(box -> last.put(box, plan)));
        return last;
    }

    /** Boxes that each issued plan of a job opens. */
    public Map<UUID, List<UUID>> openedByPlan(UUID job) {
        return issued.findByJob(job).stream().collect(Collectors.toMap(IssuedPlanRow::id, IssuedPlanRow::opens));
    }

    /** Every plan that was issued for a job, whether it still holds or not. */
    List<IssuedPlanRow> issuedIn(UUID job) {
        return issued.findByJob(job);
    }

    public IssuedPlanRow issuedPlan(UUID id) {
        return issued.findById(id).orElseThrow(() -> ProblemException.notFound("plan"));
    }

    /** Another box of the run as it was when a plan was issued. */
    record Snapshot(UUID box, long version, SurveyDocument survey, List<PickEntry> picks) {}

    private static Snapshot snapshot(Boxes.Neighbour neighbour) {
        return new Snapshot(
                neighbour.row().id(),
                neighbour.row().version(),
                neighbour.survey(),
                Picks.fromRows(neighbour.row().picks()));
    }

    private List<Snapshot> neighboursOf(IssuedPlanRow row) {
        return json.readValue(row.neighbours(), new TypeReference<List<Snapshot>>() {});
    }

    /** Whether every box that hangs together by cables is still what the plan was issued on. @param found any of them */
    public boolean isCurrent(IssuedPlanRow row, Boxes.Found found) {
        Map<UUID, Long> then = new HashMap<>(Map.of(row.boxId(), row.boxVersion()));
        neighboursOf(row).forEach(snapshot -> then.put(snapshot.box(), snapshot.version()));
        Map<UUID, Long> now = new HashMap<>(Map.of(found.row().id(), found.row().version()));
        found.neighbours()
                .values()
                .forEach(neighbour ->
                        now.put(neighbour.row().id(), neighbour.row().version()));
        return then.equals(now) && picks.areAsIssued(row.modules());
    }

    /** The plan as it was issued, whatever the boxes have become since. */
    public WiringPlan restore(IssuedPlanRow row, HouseContext house) {
        SurveyDocument survey = json.readValue(row.survey(), SurveyDocument.class);
        List<PickEntry> chosen = json.readValue(row.picks(), new TypeReference<List<PickEntry>>() {});
        Map<String, Box> boxes = new LinkedHashMap<>();
        Map<String, Given> given = new LinkedHashMap<>();
        Box lead = SurveyReader.readKept(survey, house);
        boxes.put(row.boxId().toString(), lead);
        for (Snapshot snapshot : neighboursOf(row)) {
            Box box = SurveyReader.readKept(snapshot.survey(), house);
            boxes.put(snapshot.box().toString(), box);
            given.put(snapshot.box().toString(), new Given(box, snapshot.picks()));
        }
        ConnectedBoxes run = ConnectedBoxes.of(boxes, row.boxId().toString(), house.region());
        return planner(house, run, given).plan(picks.assignments(chosen, lead), others(run, given));
    }
}
