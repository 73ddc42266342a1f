package org.hiddenclerk.core.job;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A usual cable, with its cores where they are usually found. It is a first draft for the person at the box to correct;
 * common practice, no source.
 */
public final class CableTemplate {
    private static final String NEUTRALS = "neutral";
    private static final String EARTHS = "earth";

    private final ColourEra era;
    private final Box box;

    /** A cable in the colours of new work. */
    public CableTemplate(RegionProfile region, Box box) {
        this(ColourEra.now(region), box);
    }

    /** @param era colours that the cable is found in */
    public CableTemplate(ColourEra era, Box box) {
        this.era = era;
        this.box = box;
    }

    /** A cable to add, with the jumpers that carry its live on to further gangs of the circuit. */
    public record Draft(Cable cable, List<Jumper> jumpers) {
        public Draft {
            jumpers = List.copyOf(jumpers);
        }
    }

    /** Two-core and earth from the board: live on the first gang of the circuit, jumpers to the others. */
    public Draft feed(CircuitId circuit) {
        List<Gang> gangs = box.gangs().stream()
                .filter(gang -> gang.circuit().equals(circuit))
                .toList();
        End live = gangs.isEmpty() ? new End.Capped() : commonOf(gangs.get(0));
        Cable cable = new Cable(
                nextName(),
                new Leads.FromSupply(circuit),
                mm2(),
                List.of(
                        core(1, era.live(), Role.PERMANENT_LIVE, live),
                        core(2, era.neutral(), Role.NEUTRAL, new End.InConnector(neutralsOf(circuit))),
                        core(3, era.earth(), Role.EARTH, new End.InConnector(EARTHS))));
        return new Draft(cable, sharedLive(gangs));
    }

    /** Two-core and earth to a load: the switched live on its gang, the neutral with the others. */
    public Draft toLoad(int load) {
        Gang gang = box.gang(box.load(load).gang());
        return new Draft(
                new Cable(
                        nextName(),
                        new Leads.ToLoad(load),
                        mm2(),
                        List.of(
                                core(1, era.live(), Role.SWITCHED_LIVE, switchedOf(gang)),
                                core(2, era.neutral(), Role.NEUTRAL, new End.InConnector(neutralsOf(gang.circuit()))),
                                core(3, era.earth(), Role.EARTH, new End.InConnector(EARTHS)))),
                List.of());
    }

    /**
     * A cable that leads to a load, made to serve others at the same place too: with a switched live for each, and with what the first
     * needs for all of them.
     */
    public Draft shared(Draft first, List<Integer> others) {
        List<Core> cores = new ArrayList<>(first.cable().cores());
        List<Leads.Branch> branches = new ArrayList<>();
        for (int other : others) {
            int number = cores.size() + 1;
            cores.add(core(
                    number,
                    cores.stream().noneMatch(core -> core.colour() == era.secondLine()) ? era.secondLine() : era.live(),
                    Role.SWITCHED_LIVE,
                    switchedOf(box.gang(box.load(other).gang()))));
            branches.add(new Leads.Branch(number, other));
        }
        Leads leads = first.cable().leads() instanceof Leads.ToLoadWithFeed loop
                ? new Leads.ToLoadWithFeed(loop.load(), loop.circuit(), branches)
                : new Leads.ToLoad(((Leads.ToPlaceOfLoads) first.cable().leads()).load(), branches);
        return new Draft(new Cable(first.cable().name(), leads, first.cable().mm2(), cores), first.jumpers());
    }

    /** A switch loop: the feed is at the load, live and switched live come down, no neutral. */
    public Draft loop(int load) {
        Gang gang = box.gang(box.load(load).gang());
        return new Draft(
                new Cable(
                        nextName(),
                        new Leads.ToLoadWithFeed(load, gang.circuit()),
                        mm2(),
                        List.of(
                                core(1, era.live(), Role.PERMANENT_LIVE, commonOf(gang)),
                                new Core(
                                        2,
                                        era.neutral(),
                                        Optional.of(era.live()),
                                        Role.SWITCHED_LIVE,
                                        switchedOf(gang)),
                                core(3, era.earth(), Role.EARTH, new End.InConnector(EARTHS)))),
                List.of());
    }

    /** Three-core and earth to another box, not yet connected: what its cores do is for the person at the box to say. */
    public Draft toBox() {
        return new Draft(
                new Cable(
                        nextName(),
                        new Leads.ToBox("", ""),
                        mm2(),
                        List.of(
                                core(1, era.live(), Role.TRAVELLER, new End.Capped()),
                                core(2, era.secondLine(), Role.TRAVELLER, new End.Capped()),
                                core(3, era.neutral(), Role.NEUTRAL, new End.Capped()),
                                core(4, era.earth(), Role.EARTH, new End.InConnector(EARTHS)))),
                List.of());
    }

    /** The same cores lying singly in conduit: each a cable of its own. */
    public List<Cable> asSingles(Cable cable) {
        List<Cable> singles = new ArrayList<>();
        Set<String> taken = new HashSet<>();
        box.cables().forEach(other -> taken.add(other.name()));
        int number = 0;
        for (Core core : cable.cores()) {
            do {
                number++;
            } while (!taken.add("c" + number));
            singles.add(new Cable(
                    "c" + number,
                    cable.leads(),
                    cable.mm2(),
                    List.of(new Core(1, core.colour(), core.sleeve(), core.role(), core.end()))));
        }
        return singles;
    }

    private List<Jumper> sharedLive(List<Gang> gangs) {
        List<Jumper> jumpers = new ArrayList<>();
        for (int i = 1; i < gangs.size(); i++) {
            End from = commonOf(gangs.get(i - 1));
            End to = commonOf(gangs.get(i));
            boolean there = box.jumpers().stream().anyMatch(j -> j.from().equals(from) && j.to().equals(to));
            if (!there) {
                jumpers.add(new Jumper(
                        "live-" + gangs.get(i - 1).number() + "-" + gangs.get(i).number(), era.live(), from, to));
            }
        }
        return jumpers;
    }

    /** Neutrals of different circuits never share a connector. */
    private String neutralsOf(CircuitId circuit) {
        return box.circuits().stream()
                        .filter(other -> !other.equals(circuit))
                        .findAny()
                        .isEmpty()
                ? NEUTRALS
                : NEUTRALS + " " + (new ArrayList<>(box.circuits()).indexOf(circuit) + 1);
    }

    private static End commonOf(Gang gang) {
        return new End.AtMechanism(gang.number(), gang.mechanism().terminals().get(0));
    }

    private static End switchedOf(Gang gang) {
        return new End.AtMechanism(gang.number(), gang.mechanism().terminals().get(1));
    }

    private BigDecimal mm2() {
        return box.cables().isEmpty()
                ? era.region().usualLightingMm2()
                : box.cables().get(box.cables().size() - 1).mm2();
    }

    private String nextName() {
        for (int i = 1; ; i++) {
            String name = "c" + i;
            if (box.cables().stream().noneMatch(cable -> cable.name().equals(name))) {
                return name;
            }
        }
    }

    private static Core core(int number, CoreColour colour, Role role, End end) {
        return new Core(number, colour, Optional.empty(), role, end);
    }
}
