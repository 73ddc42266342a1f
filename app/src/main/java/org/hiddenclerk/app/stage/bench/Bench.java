package org.hiddenclerk.app.stage.bench;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.house.StageKeeper;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.bench.BenchPlaces.ModulePlace;
import org.hiddenclerk.app.stage.feel.Feels;
import org.hiddenclerk.app.stage.planning.PlannedHouses;
import org.hiddenclerk.app.stage.stock.StockBook;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.bench.BenchCard;
import org.hiddenclerk.core.bench.BenchStep;
import org.hiddenclerk.core.bench.JoiningCodes;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.credentials.Checked;
import org.hiddenclerk.core.credentials.DeviceAddress;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.job.Stage;
import org.hiddenclerk.core.joining.Settings;
import org.hiddenclerk.core.naming.DeviceName;
import org.hiddenclerk.core.planned.PlannedId;
import org.hiddenclerk.core.planned.PlannedProgress;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes the modules of a job from goods-in to packed for their boxes. */
@Service
public class Bench implements StageKeeper {
    private final BenchUnitRepository units;
    private final PlannedHouses planned;
    private final BenchPlaces places;
    private final Naming naming;
    private final Credentials credentials;
    private final Houses houses;
    private final StockBook stock;
    private final Feels feels;
    private final Clock clock;
    private final ApplicationEventPublisher events;

    Bench(
            BenchUnitRepository units,
            PlannedHouses planned,
            BenchPlaces places,
            Naming naming,
            Credentials credentials,
            Houses houses,
            StockBook stock,
            Feels feels,
            Clock clock,
            ApplicationEventPublisher events) {
        this.units = units;
        this.planned = planned;
        this.places = places;
        this.naming = naming;
        this.credentials = credentials;
        this.houses = houses;
        this.stock = stock;
        this.feels = feels;
        this.clock = clock;
        this.events = events;
    }

    /** A module on the bench with all that is known of it; {@code wanted} is what it is to be set to. */
    record OnBench(
            BenchUnitRow row,
            ModuleModel model,
            BenchCard card,
            List<CredentialRow> codes,
            Map<String, String> wanted) {}

    /** The bench of a job: what lies on it, and the places that still wait for a module. */
    record State(List<OnBench> units, List<ModulePlace> waiting, List<ModulePlace> all) {
        /** The place that waits for a module; empty where none does any more. */
        Optional<ModulePlace> placeOf(BenchUnitRow row) {
            return all.stream().filter(place -> place.waitsFor(row)).findFirst();
        }

        /** Where a module sits by the plans of today, which may have moved it since it was taken to the bench. */
        Optional<UUID> boxOf(BenchUnitRow row) {
            return placeOf(row).map(ModulePlace::box).or(row::boxId);
        }
    }

    @Transactional(readOnly = true)
    public State of(UUID job) {
        houses.job(job);
        PlannedHouses.Planned house = planned.of(job);
        List<ModulePlace> all = places.of(job, house);
        List<BenchUnitRow> rows = units.findByJobIdOrderByTakenAt(job);
        Map<UUID, List<CredentialRow>> codes = credentials
                .of(rows.stream().map(BenchUnitRow::id).toList())
                .stream()
                .collect(Collectors.groupingBy(CredentialRow::unitId));
        Map<PlannedId.Module, Map<String, String>> felt = feels.settings(job, house);
        return new State(
                rows.stream()
                        .map(row -> onBench(row, all, codes.getOrDefault(row.id(), List.of()), wanted(row, felt)))
                        .toList(),
                all.stream()
                        .filter(place -> rows.stream().noneMatch(place::waitsFor))
                        .toList(),
                all);
    }

    /**
     * A module of a job, for whoever takes it on from the bench.
     *
     * @param place   in words: room and box; empty while no box waits for it
     * @param planned that it is to be
     * @param address read off it, in upper-case hex
     * @param wanted  what it is to be set to, by key of {@link Settings}
     * @param switched numbers of the inputs that a switch at the wall reaches there
     */
    public record Ready(
            UUID unit,
            String serial,
            ModuleModel model,
            Optional<UUID> box,
            String place,
            Optional<PlannedId.Module> planned,
            Optional<DeviceName> name,
            Optional<String> address,
            Map<String, String> wanted,
            Set<Integer> switched) {}

    /** Modules of a job are called otherwise from now on. */
    public record Renamed(UUID job) {}

    @Transactional(readOnly = true)
    public List<Ready> modules(UUID job) {
        State state = of(job);
        return state.units().stream()
                .map(unit -> {
                    Optional<ModulePlace> place = state.placeOf(unit.row());
                    return new Ready(
                            unit.row().id(),
                            unit.row().serial(),
                            unit.model(),
                            state.boxOf(unit.row()),
                            place.map(each -> each.named().room() + ", " + each.label())
                                    .orElse(""),
                            unit.row().place(),
                            unit.row().name(),
                            unit.row().address(),
                            unit.wanted(),
                            place.map(ModulePlace::switched).orElse(Set.of()));
                })
                .toList();
    }

    /** What was chosen on the bench, and over that what the switches of its box are wanted to do. */
    private static Map<String, String> wanted(BenchUnitRow row, Map<PlannedId.Module, Map<String, String>> felt) {
        Map<String, String> wanted = new TreeMap<>(row.wanted());
        row.place().ifPresent(module -> wanted.putAll(felt.getOrDefault(module, Map.of())));
        return wanted;
    }

    /** The code that a module joins by, for its network and not for a person. */
    public Optional<String> codeOf(UUID unit) {
        return credentials.textFor(unit);
    }

    /** @throws ProblemException for a setting that the module does not have */
    @Transactional
    public void want(UUID unit, long version, Map<String, String> wanted) {
        BenchUnitRow row = unchanged(unit, version);
        ModuleModel model = stock.require(row.moduleCode(), "/moduleCode");
        wanted.forEach((key, value) -> Settings.refusal(model, key, value).ifPresent(why -> {
            throw ProblemException.content(
                    "The module cannot be set so", new FieldProblem("/wanted/" + key, value, why));
        }));
        Map<String, String> planned = row.place()
                .map(feels.settings(row.jobId(), this.planned.of(row.jobId()))::get)
                .orElse(Map.of());
        wanted.forEach((key, value) -> Optional.ofNullable(planned.get(key))
                .filter(other -> !other.equals(value))
                .ifPresent(other -> {
                    throw ProblemException.content(
                            "The plan wants something else",
                            new FieldProblem(
                                    "/wanted/" + key,
                                    value,
                                    other + ", as the switch is to feel; the Feel sheet changes that"));
                }));
        row.isToBe(wanted);
        units.saveAndFlush(row);
    }

    @Override
    public Stage stage() {
        return Stage.BENCH;
    }

    /** How far the modules of each box are; boxes without a module on the bench are left out. */
    @Transactional(readOnly = true)
    @Override
    public Map<UUID, Stage.Progress> progress(UUID job) {
        if (!units.existsByJobId(job)) {
            return Map.of();
        }
        State state = of(job);
        Set<PlannedId.Module> taken = state.units().stream()
                .flatMap(unit -> state.placeOf(unit.row()).stream())
                .map(ModulePlace::id)
                .collect(Collectors.toSet());
        Set<PlannedId.Module> ready = state.units().stream()
                .filter(unit -> unit.card().isReady())
                .flatMap(unit -> state.placeOf(unit.row()).stream())
                .map(ModulePlace::id)
                .collect(Collectors.toSet());
        return Boxes.keyed(PlannedProgress.ofModules(planned.of(job).house(), taken, ready));
    }

    private OnBench onBench(
            BenchUnitRow row, List<ModulePlace> all, List<CredentialRow> codes, Map<String, String> wanted) {
        ModuleModel model = stock.require(row.moduleCode(), "/moduleCode");
        Optional<ModulePlace> place =
                all.stream().filter(each -> each.waitsFor(row)).findFirst();
        List<String> unset = row.setTo()
                .map(set -> Settings.differences(wanted, set).stream()
                        .map(Settings.Difference::words)
                        .toList())
                .orElse(List.of());
        return new OnBench(
                row,
                model,
                new BenchCard(
                        row.marks().stream().map(BenchUnitRow.MarkPart::mark).toList(),
                        new BenchCard.Facts(
                                JoiningCodes.areNeeded(model.protocol()),
                                !codes.isEmpty(),
                                row.name().isPresent(),
                                place.isPresent(),
                                place.filter(ModulePlace::outOfReach).isPresent(),
                                place.filter(ModulePlace::inPlace).isPresent(),
                                unset)),
                codes,
                wanted);
    }

    /**
     * Takes a module to the bench, for a place that waits for one of its kind.
     *
     * @param box whose place is meant, if it has one; the first of the house otherwise
     * @throws ProblemException for a serial that is known, and for a module that the stock book does not have
     */
    @Transactional
    public UUID take(UUID job, String module, String serial, Optional<UUID> box, String who) {
        houses.job(job);
        stock.require(module, "/moduleCode");
        if (units.existsBySerial(serial)) {
            throw ProblemException.content(
                    "The module cannot be taken",
                    new FieldProblem("/serial", serial, "a serial that no other module has"));
        }
        BenchUnitRow row = new BenchUnitRow(job, serial, module, who, now());
        assign(row, job, box);
        return units.saveAndFlush(row).id();
    }

    /** The first place that waits for a module of its kind, and the name of that place. */
    private void assign(BenchUnitRow row, UUID job, Optional<UUID> box) {
        State state = of(job);
        List<ModulePlace> fitting = state.waiting().stream()
                .filter(place -> place.module().equals(row.moduleCode()))
                .toList();
        fitting.stream()
                .filter(place -> box.filter(place.box()::equals).isPresent())
                .findFirst()
                .or(() -> fitting.stream().findFirst())
                .ifPresent(place -> {
                    // A module of another kind that was packed for it before its plan was changed.
                    state.units().stream()
                            .map(OnBench::row)
                            .filter(other ->
                                    other.place().filter(place.id()::equals).isPresent())
                            .forEach(other -> {
                                other.isFree();
                                units.saveAndFlush(other);
                            });
                    row.goesTo(place.box(), place.id());
                    Map<DeviceId, DeviceName> names = naming.names(job, state.all());
                    row.isCalled(names.get(place.id().inHouse()));
                });
    }

    @Transactional
    public void mark(UUID unit, long version, BenchCard.Mark mark, String who) {
        BenchUnitRow row = unchanged(unit, version);
        OnBench now = of(row.jobId()).units().stream()
                .filter(u -> u.row().id().equals(unit))
                .findFirst()
                .orElseThrow();
        now.card().refusal(mark).ifPresent(why -> {
            throw ProblemException.content(
                    "This is not marked", new FieldProblem("/step", mark.step().name(), why));
        });
        row.mark(mark, who, now());
        if (mark.step() == BenchStep.SETTINGS && mark.outcome() == BenchCard.Outcome.DONE) {
            row.isSetTo(now.wanted());
        }
        units.saveAndFlush(row);
    }

    /** A module has gone out of service. */
    public record Replaced(UUID job, UUID gone) {}

    /**
     * Puts another module of the kind in a module's place: it takes over the box, the name and the settings, and with the name
     * everything that rules say of it. The old one goes out of its network.
     *
     * @return the new one
     * @throws ProblemException for a serial that is known, or a module that is in no box
     */
    @Transactional
    public UUID replace(UUID unit, long version, String serial, String who) {
        BenchUnitRow old = unchanged(unit, version);
        if (old.boxId().isEmpty()) {
            throw ProblemException.conflict("This module is in no box, so there is nothing to replace.");
        }
        if (units.existsBySerial(serial)) {
            throw ProblemException.content(
                    "The module cannot be taken",
                    new FieldProblem("/serial", serial, "a serial that no other module has"));
        }
        UUID box = old.boxId().get();
        PlannedId.Module planned = old.place().orElseThrow();
        Optional<DeviceName> name = old.name();
        old.isFree();
        units.saveAndFlush(old);
        BenchUnitRow row = new BenchUnitRow(old.jobId(), serial, old.moduleCode(), who, now());
        row.goesTo(box, planned);
        name.ifPresent(row::isCalled);
        row.isToBe(old.wanted());
        UUID made = units.saveAndFlush(row).id();
        events.publishEvent(new Replaced(old.jobId(), unit));
        return made;
    }

    /** Puts a module aside: its box waits for another one. */
    @Transactional
    public void free(UUID unit, long version) {
        BenchUnitRow row = unchanged(unit, version);
        row.isFree();
        units.saveAndFlush(row);
    }

    /** @throws ProblemException for an address that breaks a rule or that another module has */
    @Transactional
    public void address(UUID unit, long version, String typed) {
        BenchUnitRow row = unchanged(unit, version);
        Checked<DeviceAddress> checked = DeviceAddress.read(typed);
        String digits = checked.value()
                .map(DeviceAddress::digits)
                .orElseThrow(() -> ProblemException.content(
                        "The address cannot be kept",
                        new FieldProblem(
                                "/address",
                                checked.flaw().orElseThrow().rule().words() + ": "
                                        + checked.flaw().orElseThrow().found(),
                                checked.flaw().orElseThrow().expected())));
        if (!row.address().filter(digits::equals).isPresent() && units.existsByAddress(digits)) {
            throw ProblemException.content(
                    "The address cannot be kept",
                    new FieldProblem("/address", typed, "an address that no other module has"));
        }
        row.hasAddress(digits);
        units.saveAndFlush(row);
    }

    BenchUnitRow find(UUID unit) {
        return units.findById(unit).orElseThrow(() -> ProblemException.notFound("module"));
    }

    private BenchUnitRow unchanged(UUID unit, long version) {
        BenchUnitRow row = find(unit);
        if (row.version() != version) {
            throw ProblemException.conflict(
                    "Somebody marked something on this module meanwhile. Your entry is not saved; look at it again.");
        }
        return row;
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }
}
