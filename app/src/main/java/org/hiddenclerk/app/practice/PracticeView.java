package org.hiddenclerk.app.practice;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.platform.finding.FindingView;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.conductors.ConductorRole;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.practice.ClerksWay;
import org.hiddenclerk.core.practice.Marks;
import org.hiddenclerk.core.practice.PracticeLevel;
import org.hiddenclerk.core.practice.PracticeRun;
import org.hiddenclerk.core.practice.UnsafeDeed;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.RunWiring;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/** A practice wall as the learner sees it: nothing of it that was not found out, until it is done. */
record PracticeView(
        UUID id,
        PracticeLevel level,
        String label,
        long seed,
        int deeds,
        PracticeRun.Phase phase,
        String task,
        List<BreakerView> breakers,
        boolean testerProved,
        List<WallPlace> places,
        List<String> lamps,
        List<PracticeRun.LogLine> log,
        int tests,
        int unsafe,
        List<RoleView> roles,
        List<FaultView> faults,
        List<SchemeView> schemes,
        List<ModuleFacts> modules,
        List<FindingView> refusal,
        @MayBeAbsent MarksView marks,
        @MayBeAbsent WayView way) {
    private static final List<FindingCode> FAULTS = List.of(
            FindingCode.BORROWED_NEUTRAL,
            FindingCode.NEUTRAL_SWITCHED,
            FindingCode.EARTH_AS_NEUTRAL,
            FindingCode.REVERSED_POLARITY,
            FindingCode.SECOND_FEED,
            FindingCode.LIVE_END_OPEN,
            FindingCode.EARTH_MISSING);
    private static final List<SchemeCode> SCHEMES = List.of(
            SchemeCode.BEHIND_SWITCH_N,
            SchemeCode.BEHIND_SWITCH_NO_N,
            SchemeCode.MULTI_ONE_MODULE,
            SchemeCode.MULTI_SECOND_UNLOADED,
            SchemeCode.AT_LAMP_SPARE,
            SchemeCode.AT_LAMP_BLINK,
            SchemeCode.SWITCH_UPSTREAM,
            SchemeCode.NO_SWITCH);

    /** A breaker. */
    record BreakerView(String circuit, String phase, boolean on, boolean locked) {}

    /**
     * A box, or a lamp that is worked at.
     *
     * @param provedDead whether it was found dead by a proved tester, and nothing was switched on since
     */
    record WallPlace(
            String id,
            String label,
            boolean provedDead,
            List<WallSwitch> switches,
            List<WallCable> cables,
            List<WallDevice> devices,
            List<WallWire> wires) {}

    /** A wall switch. */
    record WallSwitch(String id, String name, String mechanism, int position) {}

    /** A cable as far as it is seen. */
    record WallCable(String name, List<WallCore> cores) {}

    /**
     * A core.
     *
     * @param key  within its place
     * @param at   key of the place that it ends on
     * @param role what the learner named it
     */
    record WallCore(
            String id,
            String key,
            CoreColour colour,
            String letters,
            String words,
            String at,
            boolean freed,
            @MayBeAbsent ConductorRole role) {}

    /** Something with places that an end can be put on. */
    record WallDevice(String name, Kind kind, List<WallEnd> ends) {
        /** Kinds of devices. */
        enum Kind {
            SWITCH,
            MODULE,
            LAMP,
            CONNECTORS,
            ALONE
        }
    }

    /** A place that an end can be put on. */
    record WallEnd(String key, String label) {}

    /** A piece of wire. */
    record WallWire(String key, CoreColour colour, String letters, String from, String to) {}

    /** A role that a core can be named. */
    record RoleView(ConductorRole role, String label) {}

    /** A fault that can be reported. */
    record FaultView(FindingCode fault, String label) {}

    /** A scheme to choose from. */
    record SchemeView(SchemeCode scheme, String label) {}

    /** A module to choose from, with what decides. */
    record ModuleFacts(String code, String words) {}

    /** What the clerk says. */
    record MarksView(
            boolean accepted,
            int testsUsed,
            @MayBeAbsent Integer testsNeeded,
            List<UnsafeDeed> unsafe,
            int namesRight,
            int names,
            List<String> wrongNames,
            int refusedChoices,
            @MayBeAbsent Verdict wiring,
            List<FindingView> findings,
            @MayBeAbsent String reported,
            @MayBeAbsent String fault) {}

    /** How the clerk would have done it. */
    record WayView(
            List<ClerksWay.Test> tests, @MayBeAbsent String withoutTests, @MayBeAbsent ClerksWay.Fitting fitting) {}

    static PracticeView of(Practice.StoredRun kept, List<ModuleModel> models) {
        PracticeRun run = kept.run();
        boolean done = run.phase() == PracticeRun.Phase.DONE;
        boolean choosing = run.phase() == PracticeRun.Phase.CHOOSE;
        ClerksWay way = new ClerksWay(run.wall());
        Optional<ClerksWay.Fitting> fitting = done ? way.fitting(models) : Optional.empty();
        return new PracticeView(
                kept.row().id(),
                kept.row().level(),
                kept.row().level().label(),
                kept.row().seed(),
                kept.deeds(),
                run.phase(),
                run.wall().task(),
                run.wall().circuits().stream()
                        .map(circuit -> new BreakerView(
                                circuit.label(),
                                circuit.phase().name(),
                                run.isOn(circuit.label()),
                                run.isLocked(circuit.label())))
                        .toList(),
                run.isTesterProved(),
                run.places().stream().map(place -> place(run, place)).toList(),
                run.wiring().run().loads().stream()
                        .map(load -> load.load().name())
                        .toList(),
                run.log(),
                run.tests(),
                run.unsafe().size(),
                Arrays.stream(ConductorRole.values())
                        .filter(role -> role != ConductorRole.EARTH)
                        .map(r -> new RoleView(r, r.label()))
                        .toList(),
                FAULTS.stream()
                        .map(fault -> new FaultView(fault, fault.title()))
                        .toList(),
                choosing
                        ? SCHEMES.stream()
                                .map(scheme -> new SchemeView(scheme, scheme.label()))
                                .toList()
                        : List.of(),
                choosing ? offered(models) : List.of(),
                run.refusal().stream().map(FindingView::of).toList(),
                done ? marks(run.marks()) : null,
                done ? new WayView(way.tests(), way.withoutTests().orElse(null), fitting.orElse(null)) : null);
    }

    private static MarksView marks(Marks marks) {
        return new MarksView(
                marks.isAccepted(),
                marks.testsUsed(),
                marks.testsNeeded().isPresent() ? marks.testsNeeded().getAsInt() : null,
                marks.unsafe(),
                marks.namesRight(),
                marks.names(),
                marks.wrongNames(),
                marks.refusedChoices(),
                marks.wiring().orElse(null),
                marks.findings().stream().map(FindingView::of).toList(),
                marks.reported().map(FindingCode::title).orElse(null),
                marks.fault().map(FindingCode::title).orElse(null));
    }

    private static List<ModuleFacts> offered(List<ModuleModel> models) {
        return models.stream()
                .filter(model -> !model.channels().isEmpty())
                .sorted(Comparator.comparing(ModuleModel::code))
                .map(model -> new ModuleFacts(model.code(), facts(model)))
                .toList();
    }

    private static String facts(ModuleModel model) {
        String supply;
        if (model.supply() instanceof ModuleSupply.TwoWire two) {
            supply = "no neutral, at least " + Math.round(two.minimumLoadWatts()) + " W";
        } else {
            supply = model.supply() instanceof ModuleSupply.LineNeutral ? "needs a neutral" : "direct current";
        }
        int channels = model.channels().size();
        return channels
                + (channels == 1 ? " channel, " : " channels, ")
                + supply
                + (model.blink().isPresent() ? ", counts short breaks" : "");
    }

    private static WallPlace place(PracticeRun run, ConnectedBoxes.Place place) {
        RunWiring wiring = run.wiring();
        BoxWiring box = wiring.at(place);
        List<WallSwitch> switches =
                place.box().gangs().stream().map(gang -> gang(run, place, gang)).toList();
        List<WallCable> cables = place.box().cables().stream()
                .map(cable -> new WallCable(
                        cable.name(),
                        place.box().cores().stream()
                                .filter(core -> core.cable().equals(cable))
                                .map(core -> core(run, place, box, core))
                                .toList()))
                .toList();
        return new WallPlace(
                place.id(),
                place.label(),
                run.isProvedDead(place.id()),
                switches,
                cables,
                devices(run, place, box),
                box.jumpers().stream()
                        .map(j -> new WallWire(
                                j.key(),
                                j.colour(),
                                j.colour().letters(),
                                j.from().key(),
                                j.to().key()))
                        .toList());
    }

    private static WallSwitch gang(PracticeRun run, ConnectedBoxes.Place place, Gang gang) {
        String id = place.box().gangs().size() == 1 ? place.id() : place.id() + "." + gang.number();
        return new WallSwitch(id, gang.name(), gang.mechanism().label(), run.position(id));
    }

    private static WallCore core(PracticeRun run, ConnectedBoxes.Place place, BoxWiring box, Box.CableCore core) {
        String id = place.id() + "/" + core.key();
        return new WallCore(
                id,
                core.key(),
                core.core().colour(),
                core.core().colour().letters(),
                core.words(),
                box.endOf(core).key(),
                run.isFreed(id),
                run.nameOf(id).orElse(null));
    }

    private static List<WallDevice> devices(PracticeRun run, ConnectedBoxes.Place place, BoxWiring box) {
        List<End> ends = run.choices(place);
        List<WallDevice> devices = new ArrayList<>();
        box.modules()
                .forEach((number, model) -> devices.add(new WallDevice(
                        model.code(),
                        WallDevice.Kind.MODULE,
                        ends.stream()
                                .filter(end -> end instanceof End.AtModule at && at.module() == number)
                                .map(end -> new WallEnd(end.key(), ((End.AtModule) end).terminal()))
                                .toList())));
        for (Gang gang : box.box().gangs()) {
            devices.add(new WallDevice(
                    gang.name(),
                    WallDevice.Kind.SWITCH,
                    ends.stream()
                            .filter(end -> end instanceof End.AtMechanism at && at.gang() == gang.number())
                            .map(end -> new WallEnd(end.key(), ((End.AtMechanism) end).terminal()))
                            .toList()));
        }
        for (SurveyedLoad load : box.box().loads()) {
            List<WallEnd> own = ends.stream()
                    .filter(end -> end instanceof End.AtLoad at && at.load() == load.number())
                    .map(end -> new WallEnd(end.key(), ((End.AtLoad) end).terminal()))
                    .toList();
            if (!own.isEmpty()) {
                devices.add(new WallDevice(load.name(), WallDevice.Kind.LAMP, own));
            }
        }
        boolean wiring = run.phase() == PracticeRun.Phase.WIRE || run.phase() == PracticeRun.Phase.DONE;
        devices.add(new WallDevice(
                "connectors",
                WallDevice.Kind.CONNECTORS,
                ends.stream()
                        .filter(End.InConnector.class::isInstance)
                        .filter(end -> wiring || !box.attachedAt(end).isEmpty())
                        .map(end -> new WallEnd(end.key(), ((End.InConnector) end).name()))
                        .toList()));
        devices.add(new WallDevice(
                "alone",
                WallDevice.Kind.ALONE,
                List.of(new WallEnd("capped", "capped"), new WallEnd("loose", "free"))));
        return devices;
    }
}
