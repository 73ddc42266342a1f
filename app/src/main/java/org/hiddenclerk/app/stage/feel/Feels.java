package org.hiddenclerk.app.stage.feel;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.job.house.StageKeeper;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.planning.PlannedHouses;
import org.hiddenclerk.app.stage.planning.Plans;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.behaviour.Adviser;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.job.Stage;
import org.hiddenclerk.core.matching.module.FeelCheck;
import org.hiddenclerk.core.matching.module.InstalledFirmware;
import org.hiddenclerk.core.planned.PlannedId;
import org.hiddenclerk.core.planned.PlannedModule;
import org.hiddenclerk.core.planned.PlannedProgress;
import org.hiddenclerk.core.planned.PlannedSettings;
import org.hiddenclerk.core.planned.PlannedWork;
import org.hiddenclerk.core.wiring.WallInput;
import org.hiddenclerk.core.wiring.run.RunWiring;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Keeps how the switches of a box will act, and tells what that makes of the modules' settings. */
@Service
public class Feels implements StageKeeper {
    private final FeelRepository rows;
    private final Boxes boxes;
    private final Plans plans;
    private final PlannedHouses planned;
    private final JsonMapper json;
    private final Clock clock;

    Feels(FeelRepository rows, Boxes boxes, Plans plans, PlannedHouses planned, JsonMapper json, Clock clock) {
        this.planned = planned;
        this.rows = rows;
        this.boxes = boxes;
        this.plans = plans;
        this.json = json;
        this.clock = clock;
    }

    /**
     * One input with what is wanted of it.
     *
     * @param version   of what is kept; 0 when nothing is yet
     * @param firstGang of the box whose pick it belongs to, whose switch it reads; 0 when all of them are elsewhere
     * @param advice    behaviours, best first
     * @param settings  what is written to the module
     */
    record FeltInput(
            PlannedId.Input id,
            WallInput input,
            long version,
            int firstGang,
            FeelDocument document,
            InputBehaviour behaviour,
            List<Adviser.Advice> advice,
            Map<String, String> settings,
            List<Finding> findings) {}

    /** Every input of a box's plan, and the versions of the boxes whose picks they belong to. */
    record Felt(long boxVersion, Map<String, Long> versions, List<FeltInput> inputs) {}

    @Transactional(readOnly = true)
    public Felt of(UUID box) {
        Boxes.Found found = boxes.find(box);
        Plans.Circumstances circumstances = plans.circumstances(found.job());
        PlannedWork work = plans.work(found, circumstances);
        Map<PlannedId.Input, FeelRow> kept = new LinkedHashMap<>();
        Map<String, Long> versions =
                new LinkedHashMap<>(Map.of(box.toString(), found.row().version()));
        found.neighbours()
                .forEach((id, neighbour) -> versions.put(id, neighbour.row().version()));
        versions.keySet().forEach(each -> rows.findByBox(UUID.fromString(each))
                .forEach(row -> row.id().ifPresent(id -> kept.put(id, row))));
        return new Felt(
                found.row().version(),
                versions,
                work.modules().stream()
                        .flatMap(module -> module.inputs().stream().map(input -> {
                            Optional<FeelRow> row = Optional.ofNullable(kept.get(input.id()));
                            FeelDocument document = row.map(r -> json.readValue(r.document(), FeelDocument.class))
                                    .orElseGet(() -> usual(input.wall()));
                            return felt(
                                    input.id(),
                                    input.wall(),
                                    firstGang(input),
                                    row.map(FeelRow::version).orElse(0L),
                                    document,
                                    Optional.ofNullable(circumstances
                                            .installed()
                                            .getOrDefault(
                                                    UUID.fromString(module.id().box()), Map.of())
                                            .get(module.model().code())));
                        }))
                        .toList());
    }

    private static FeelDocument usual(WallInput input) {
        Parameters usual = Parameters.USUAL.withPowerOn(
                Adviser.powerOn(input.input().behaviour()).state());
        FeelDocument document = FeelDocument.USUAL;
        return new FeelDocument(
                document.want(),
                document.other(),
                document.remote(),
                document.week(),
                FeelDocument.ParametersEntry.of(usual),
                List.of());
    }

    private static FeltInput felt(
            PlannedId.Input id,
            WallInput input,
            int firstGang,
            long version,
            FeelDocument document,
            Optional<InstalledFirmware> installed) {
        InputBehaviour behaviour = input.input().behaviour();
        Parameters parameters = document.parameters().parameters();
        Map<String, String> settings = PlannedSettings.of(input, parameters);
        return new FeltInput(
                id,
                input,
                version,
                firstGang,
                document,
                behaviour,
                Adviser.rank(
                        input.wall(),
                        document.household(),
                        input.fitted().model().behaviours(),
                        parameters),
                settings,
                FeelCheck.of(
                        subject(input),
                        input.wall(),
                        input.fitted().model(),
                        behaviour,
                        parameters,
                        settings,
                        installed));
    }

    private static Subject subject(WallInput input) {
        return new Subject.Input(
                RunWiring.moduleOf(input.fitted().number()).value(),
                input.input().id());
    }

    static String name(WallInput input) {
        return input.fitted().model().code() + ", input " + input.input().id();
    }

    private static int firstGang(PlannedModule.Input input) {
        return input.switches().stream()
                .filter(at -> at.box().equals(input.id().box()))
                .mapToInt(PlannedId.Switch::gang)
                .findFirst()
                .orElse(0);
    }

    /**
     * Keeps what is wanted of an input; another behaviour changes the plan of the box too.
     *
     * @param box whose pick the input belongs to
     * @param key of the input within the plan of the box
     * @throws ProblemException with the pointer of what cannot be, or when somebody changed it meanwhile
     */
    @Transactional
    public void keep(
            UUID box,
            String key,
            long version,
            long boxVersion,
            InputBehaviour behaviour,
            FeelDocument document,
            String who) {
        Felt before = of(box);
        PlannedId.Input id =
                PlannedId.Input.ofKey(box.toString(), key).orElseThrow(() -> ProblemException.notFound("input"));
        FeltInput input = before.inputs().stream()
                .filter(felt -> felt.id().equals(id))
                .findFirst()
                .orElseThrow(() -> ProblemException.notFound("input"));
        if (input.version() != version) {
            throw ProblemException.conflict(
                    "Somebody changed this input meanwhile. Your entry is not saved; look at it again.");
        }
        Parameters parameters = parameters(document);
        Boxes.Found found = boxes.find(box);
        if (behaviour != input.behaviour()) {
            change(box, boxVersion, input, owner(found, input), behaviour, who);
        }
        FeltInput now = of(box).inputs().stream()
                .filter(felt -> felt.id().equals(id))
                .findFirst()
                .orElseThrow();
        FeltInput then = felt(id, now.input(), now.firstGang(), version, document, installed(found, now));
        FeelRow row = rows.findById(new FeelRow.Of(box, key)).orElseGet(() -> new FeelRow(box, key));
        row.is(
                json.writeValueAsString(document),
                now.firstGang(),
                now.input().number(),
                now.input().channelNumber(),
                isHeld(then.findings()),
                who,
                clock.instant().truncatedTo(ChronoUnit.MICROS));
        rows.saveAndFlush(row);
    }

    private Optional<InstalledFirmware> installed(Boxes.Found found, FeltInput input) {
        return Optional.ofNullable(plans.circumstances(found.job())
                .installed()
                .getOrDefault(found.row().id(), Map.of())
                .get(input.input().fitted().model().code()));
    }

    private static boolean isHeld(List<Finding> findings) {
        return findings.stream().anyMatch(finding -> finding.severity() != Severity.NOTE);
    }

    private static Parameters parameters(FeelDocument document) {
        try {
            return document.parameters().parameters();
        } catch (IllegalArgumentException e) {
            throw ProblemException.content(
                    "The input cannot be set so", new FieldProblem("/document/parameters", "", e.getMessage()));
        }
    }

    /** What was picked, to which the module of an input belongs. */
    private Assignment owner(Boxes.Found found, FeltInput input) {
        return plans.assignments(found.row().id()).get(input.id().module().pick() - 1);
    }

    private void change(
            UUID box, long boxVersion, FeltInput input, Assignment owner, InputBehaviour behaviour, String who) {
        if (input.firstGang() == 0 || !owner.gangs().contains(input.firstGang())) {
            throw ProblemException.conflict(
                    "This switch is read by a module that goes along with another one; it is set with its plan.");
        }
        Adviser.refusal(behaviour, input.input().wall(), owner.reader().behaviours())
                .ifPresent(why -> {
                    throw ProblemException.content(
                            "The switch cannot act like this",
                            new FieldProblem("/behaviour", behaviour.label(), "another one: " + why));
                });
        plans.changeBehaviour(box, boxVersion, input.firstGang(), behaviour, who);
    }

    /**
     * What the modules of a job are to be set to. Inputs that no plan has any more are left out, and those of which
     * nobody said anything.
     */
    @Transactional(readOnly = true)
    public Map<PlannedId.Module, Map<String, String>> settings(UUID job) {
        return settings(job, planned.of(job));
    }

    /** Of a house that has been read already. */
    @Transactional(readOnly = true)
    public Map<PlannedId.Module, Map<String, String>> settings(UUID job, PlannedHouses.Planned house) {
        return PlannedSettings.of(house.house(), wanted(job));
    }

    private Map<PlannedId.Input, Parameters> wanted(UUID job) {
        Map<PlannedId.Input, Parameters> wanted = new HashMap<>();
        rows.findByJob(job).forEach(row -> row.id()
                .ifPresent(id -> wanted.put(
                        id,
                        json.readValue(row.document(), FeelDocument.class)
                                .parameters()
                                .parameters())));
        return wanted;
    }

    /** How the inputs of a job are set, by control. Those of which nobody said anything are left out. */
    @Transactional(readOnly = true)
    public Map<HouseId, Parameters> parameters(UUID job) {
        Map<HouseId, Parameters> parameters = new HashMap<>();
        wanted(job).forEach((input, wanted) -> parameters.put(input.inHouse(), wanted));
        return parameters;
    }

    @Override
    public Stage stage() {
        return Stage.FEEL;
    }

    /** How far each box is; boxes of which nobody said anything are left out. */
    @Transactional(readOnly = true)
    @Override
    public Map<UUID, Stage.Progress> progress(UUID job) {
        Set<PlannedId.Input> said = new HashSet<>();
        Set<PlannedId.Input> settled = new HashSet<>();
        rows.findByJob(job).forEach(row -> row.id().ifPresent(input -> {
            said.add(input);
            if (!row.isHeld()) {
                settled.add(input);
            }
        }));
        return said.isEmpty()
                ? Map.of()
                : Boxes.keyed(PlannedProgress.ofInputs(planned.of(job).house(), said, settled));
    }
}
