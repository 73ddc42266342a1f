package org.hiddenclerk.core.job;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.quantity.Millimetres;

/**
 * A box as it was surveyed.
 *
 * @param geometry its inside; empty where nobody has measured it
 * @param modules  that are in it already
 */
public record Box(
        String label,
        BoxKind kind,
        Optional<BoxGeometry> geometry,
        List<Gang> gangs,
        List<SurveyedLoad> loads,
        List<Cable> cables,
        List<Jumper> jumpers,
        List<SurveyedModule> modules) {
    public Box {
        gangs = List.copyOf(gangs);
        loads = List.copyOf(loads);
        cables = List.copyOf(cables);
        jumpers = List.copyOf(jumpers);
        modules = List.copyOf(modules);
    }

    /** A box without a module in it. */
    public Box(
            String label,
            BoxKind kind,
            Optional<BoxGeometry> geometry,
            List<Gang> gangs,
            List<SurveyedLoad> loads,
            List<Cable> cables,
            List<Jumper> jumpers) {
        this(label, kind, geometry, gangs, loads, cables, jumpers, List.of());
    }

    /** A wall box that has been measured. */
    public Box(
            String label,
            BoxGeometry geometry,
            List<Gang> gangs,
            List<SurveyedLoad> loads,
            List<Cable> cables,
            List<Jumper> jumpers) {
        this(label, BoxKind.WALL, Optional.of(geometry), gangs, loads, cables, jumpers);
    }

    /** The same box with another mechanism in one gang. */
    public Box withMechanism(int gang, Mechanism mechanism) {
        return new Box(
                label,
                kind,
                geometry,
                gangs.stream()
                        .map(g -> g.number() != gang
                                ? g
                                : new Gang(g.number(), g.name(), mechanism, g.depth(), g.circuit()))
                        .toList(),
                loads,
                cables,
                jumpers,
                modules);
    }

    /** The same box, deeper by a spacer under its plate; a volume that is marked in it stays what it is. */
    public Box raised(Millimetres spacer) {
        return new Box(
                label,
                kind,
                geometry.map(room -> new BoxGeometry(
                        room.width(),
                        room.height(),
                        room.depth().plus(spacer),
                        room.metal(),
                        room.markedCubicInches(),
                        room.round(),
                        room.supportFittings())),
                gangs,
                loads,
                cables,
                jumpers,
                modules);
    }

    /**
     * Modules in the box whose conductors were followed: what their terminals hold is part of the survey, and the stock book has these
     * terminals. Of the others it is known that they are there, and no more.
     */
    public List<SurveyedModule> followedModules() {
        return modules.stream()
                .filter(module -> !endsOn(module).isEmpty()
                        && endsOn(module).stream().allMatch(end -> module.hasTerminal(end.terminal())))
                .toList();
    }

    private List<End.AtModule> endsOn(SurveyedModule module) {
        return ends().filter(end -> end instanceof End.AtModule at && at.module() == module.number())
                .map(End.AtModule.class::cast)
                .toList();
    }

    private Stream<End> ends() {
        return Stream.concat(
                cores().stream().map(core -> core.core().end()),
                jumpers.stream().flatMap(jumper -> Stream.of(jumper.from(), jumper.to())));
    }

    /** The same box with the numbers of its modules, and of the ends on them, moved up: so they differ from those of other boxes. */
    public Box modulesNumberedAfter(int last) {
        return modules.isEmpty()
                ? this
                : new Box(
                        label,
                        kind,
                        geometry,
                        gangs,
                        loads,
                        cables.stream().map(cable -> numberedAfter(cable, last)).toList(),
                        jumpers.stream()
                                .map(jumper -> new Jumper(
                                        jumper.key(),
                                        jumper.colour(),
                                        numberedAfter(jumper.from(), last),
                                        numberedAfter(jumper.to(), last)))
                                .toList(),
                        modules.stream()
                                .map(module -> module.numbered(last + module.number()))
                                .toList());
    }

    private static Cable numberedAfter(Cable cable, int last) {
        return new Cable(
                cable.name(),
                cable.leads(),
                cable.mm2(),
                cable.cores().stream()
                        .map(core -> core.endingAt(numberedAfter(core.end(), last)))
                        .toList(),
                cable.assumed());
    }

    private static End numberedAfter(End end, int last) {
        return end instanceof End.AtModule at ? new End.AtModule(last + at.module(), at.terminal()) : end;
    }

    /** A core with the cable it belongs to. */
    public record CableCore(Cable cable, Core core) {
        public String key() {
            return cable.coreKey(core);
        }

        /** Colour and cable, as a person would say it. */
        public String words() {
            return core.colour().words() + " of " + cable.name();
        }

        /** Of what tells cores of one box apart; the whole cable, with all its cores, would be read for every look-up. */
        @Override
        public int hashCode() {
            return 31 * cable.name().hashCode() + core.number();
        }
    }

    public List<CableCore> cores() {
        List<CableCore> cores = new ArrayList<>();
        cables.forEach(cable -> cable.cores().forEach(core -> cores.add(new CableCore(cable, core))));
        return cores;
    }

    public Gang gang(int number) {
        return gangs.stream()
                .filter(g -> g.number() == number)
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("Box " + label + " has no gang " + number + "."));
    }

    public SurveyedLoad load(int number) {
        return loads.stream()
                .filter(l -> l.number() == number)
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("Box " + label + " has no load " + number + "."));
    }

    public List<SurveyedLoad> loadsOf(int gang) {
        return loads.stream().filter(load -> load.gang() == gang).toList();
    }

    /** Circuit that a core belongs to: that of its feed, or of the gang that switches its load; unknown between boxes. */
    public Optional<CircuitId> circuitOf(CableCore core) {
        if (core.cable().leads() instanceof Leads.FromSupply feed) {
            return Optional.of(feed.circuit());
        }
        if (core.cable().leads() instanceof Leads.ToLoadWithFeed loop) {
            return Optional.of(loop.circuit());
        }
        if (!(core.cable().leads() instanceof Leads.ToLoad lamp)) {
            return Optional.empty();
        }
        int load = lamp.loadOf(core.core().number());
        return loads.stream()
                .filter(l -> l.number() == load && !l.hangsHere())
                .findFirst()
                .map(l -> gang(l.gang()).circuit());
    }

    /** Every circuit that has a conductor or a gang in the box: all must be off before it is opened. */
    public Set<CircuitId> circuits() {
        Set<CircuitId> circuits = new LinkedHashSet<>();
        gangs.forEach(gang -> circuits.add(gang.circuit()));
        cores().forEach(core -> circuitOf(core).ifPresent(circuits::add));
        return circuits;
    }
}
