package org.hiddenclerk.core.conductors;

import static org.hiddenclerk.core.conductors.ConductorRole.NEUTRAL;
import static org.hiddenclerk.core.conductors.ConductorRole.PERMANENT_LIVE;
import static org.hiddenclerk.core.conductors.ConductorRole.STRAP;
import static org.hiddenclerk.core.conductors.ConductorRole.SWITCHED_LIVE;
import static org.hiddenclerk.core.conductors.ConductorRole.TRAVELLER;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.function.Consumer;
import org.hiddenclerk.core.conductors.Topology.Wire;

/**
 * Every way in which a circuit with given switches can run. Common practice, no source: feed at the switch or at the lamp,
 * change-over pairs fed and tapped at either end, intermediates in the travellers, three conductors from switch to switch.
 */
final class Sketches {
    private static final String[][] SIDES = {{"A1", "A2"}, {"B1", "B2"}};

    private final List<Topology> found = new ArrayList<>();

    private Sketches() {}

    /**
     * Circuits with one switch.
     *
     * @param throwTerminals throws of which one is in use
     */
    static List<Topology> oneWay(int box, List<String> throwTerminals) {
        Sketches sketches = new Sketches();
        for (String throwTerminal : throwTerminals) {
            for (boolean liveOnCommon : new boolean[] {true, false}) {
                EndRequirement live = new EndRequirement(box, liveOnCommon ? "COM" : throwTerminal);
                EndRequirement lamp = new EndRequirement(box, liveOnCommon ? throwTerminal : "COM");
                for (boolean neutral : new boolean[] {true, false}) {
                    List<Wire> wires = new ArrayList<>();
                    wires.add(new Wire(PERMANENT_LIVE, EndRequirement.supply(PERMANENT_LIVE), live));
                    wires.add(toLamp(lamp));
                    neutralThrough(List.of(box), neutral, wires);
                    sketches.add("ONE_WAY_FEED_AT_SWITCH", List.of(box), live, neutral, wires);
                }
                sketches.add(
                        "ONE_WAY_SWITCH_LOOP",
                        List.of(box),
                        EndRequirement.lamp(EndRequirement.LAMP_LIVE),
                        false,
                        List.of(fromLamp(live), toLamp(lamp)));
            }
        }
        return sketches.found;
    }

    /** Circuits with two change-over switches at the ends of a chain. */
    static List<Topology> changeOver(List<Integer> chain) {
        Sketches sketches = new Sketches();
        sketches.travellerChains(chain, travellers -> sketches.changeOver(chain, travellers));
        sketches.eachAtTheLamp(chain);
        if (chain.size() == 2) {
            sketches.threeStrapper(chain.get(0), chain.get(1));
        }
        return sketches.found;
    }

    private void changeOver(List<Integer> chain, List<Wire> travellers) {
        List<Integer> back = new ArrayList<>(chain);
        Collections.reverse(back);
        feedAndLampApart(chain, "TWO_WAY_FEED_A_LAMP_B", travellers);
        feedAndLampApart(back, "TWO_WAY_FEED_B_LAMP_A", travellers);
        feedAndLampTogether(chain, "TWO_WAY_FEED_AND_LAMP_A", travellers, chain);
        feedAndLampTogether(back, "TWO_WAY_FEED_AND_LAMP_B", travellers, chain);
    }

    private void feedAndLampApart(List<Integer> way, String topology, List<Wire> travellers) {
        EndRequirement feed = common(way.get(0));
        for (boolean neutral : new boolean[] {true, false}) {
            List<Wire> wires = new ArrayList<>(travellers);
            wires.add(new Wire(PERMANENT_LIVE, EndRequirement.supply(PERMANENT_LIVE), feed));
            wires.add(toLamp(common(way.get(way.size() - 1))));
            neutralThrough(way, neutral, wires);
            add(named(topology, way), way, feed, neutral, wires);
        }
    }

    /** Feed and lamp at one end, from the supply or both from the lamp place; a third conductor to the far common. */
    private void feedAndLampTogether(List<Integer> way, String topology, List<Wire> travellers, List<Integer> chain) {
        int near = way.get(0);
        for (boolean liveAtNear : new boolean[] {true, false}) {
            ConductorRole third = liveAtNear ? SWITCHED_LIVE : PERMANENT_LIVE;
            List<Wire> wires = new ArrayList<>(travellers);
            through(
                    way,
                    new EndRequirement(near, liveAtNear ? EndRequirement.THIRD : EndRequirement.FEED),
                    common(way.get(way.size() - 1)),
                    EndRequirement.THIRD,
                    third,
                    wires);
            EndRequirement feed = liveAtNear ? common(near) : new EndRequirement(near, EndRequirement.FEED);
            wires.add(toLamp(liveAtNear ? new EndRequirement(near, EndRequirement.THIRD) : common(near)));
            List<Wire> atLamp = new ArrayList<>(wires);
            atLamp.add(fromLamp(feed));
            add(
                    named("TWO_WAY_FEED_AT_LAMP", chain),
                    way,
                    EndRequirement.lamp(EndRequirement.LAMP_LIVE),
                    false,
                    atLamp);
            wires.add(new Wire(PERMANENT_LIVE, EndRequirement.supply(PERMANENT_LIVE), feed));
            for (boolean neutral : new boolean[] {true, false}) {
                List<Wire> all = new ArrayList<>(wires);
                neutralThrough(List.of(near), neutral, all);
                add(named(topology, way), way, feed, neutral, all);
            }
        }
    }

    /** Every switch has its cores to the lamp place, and the travellers meet there. */
    private void eachAtTheLamp(List<Integer> chain) {
        int last = chain.size() - 1;
        for (boolean liveAtFirst : new boolean[] {true, false}) {
            travellerEnds(chain, ends -> {
                List<Wire> wires = new ArrayList<>();
                for (int link = 0; link < last; link++) {
                    for (int t = 0; t < 2; t++) {
                        EndRequirement meeting = EndRequirement.lamp("joint of travellers " + link + " " + t);
                        wires.add(new Wire(TRAVELLER, meeting, ends.get(link)[t]));
                        wires.add(new Wire(TRAVELLER, meeting, ends.get(link)[2 + t]));
                    }
                }
                wires.add(fromLamp(common(chain.get(liveAtFirst ? 0 : last))));
                wires.add(toLamp(common(chain.get(liveAtFirst ? last : 0))));
                add(
                        named("TWO_WAY_FEED_AT_LAMP", chain),
                        chain,
                        EndRequirement.lamp(EndRequirement.LAMP_LIVE),
                        false,
                        wires);
            });
        }
    }

    private void threeStrapper(int a, int b) {
        for (boolean crossed : new boolean[] {false, true}) {
            for (int feedBox : new int[] {a, b}) {
                for (int lampBox : new int[] {a, b}) {
                    for (int fed = 0; fed < 2; fed++) {
                        EndRequirement feed = new EndRequirement(feedBox, throwOf(feedBox == a, fed, crossed));
                        EndRequirement lamp = new EndRequirement(lampBox, throwOf(lampBox == a, 1 - fed, crossed));
                        List<Wire> wires = new ArrayList<>();
                        wires.add(new Wire(STRAP, common(a), common(b)));
                        for (int t = 0; t < 2; t++) {
                            wires.add(new Wire(
                                    TRAVELLER,
                                    new EndRequirement(a, throwOf(true, t, crossed)),
                                    new EndRequirement(b, throwOf(false, t, crossed))));
                        }
                        wires.add(toLamp(lamp));
                        List<Wire> atLamp = new ArrayList<>(wires);
                        atLamp.add(fromLamp(feed));
                        add(
                                "THREE_STRAPPER",
                                List.of(a, b),
                                EndRequirement.lamp(EndRequirement.LAMP_LIVE),
                                false,
                                atLamp);
                        wires.add(new Wire(PERMANENT_LIVE, EndRequirement.supply(PERMANENT_LIVE), feed));
                        for (boolean neutral : new boolean[] {true, false}) {
                            List<Wire> all = new ArrayList<>(wires);
                            neutralThrough(
                                    feedBox == lampBox ? List.of(feedBox) : List.of(feedBox, lampBox), neutral, all);
                            add("THREE_STRAPPER", List.of(a, b), feed, neutral, all);
                        }
                    }
                }
            }
        }
    }

    private static String throwOf(boolean first, int traveller, boolean crossed) {
        return (traveller == 0) == (first || !crossed) ? "L1" : "L2";
    }

    private void travellerChains(List<Integer> chain, Consumer<List<Wire>> use) {
        travellerEnds(chain, ends -> {
            List<Wire> wires = new ArrayList<>();
            for (EndRequirement[] link : ends) {
                wires.add(new Wire(TRAVELLER, link[0], link[2]));
                wires.add(new Wire(TRAVELLER, link[1], link[3]));
            }
            use.accept(wires);
        });
    }

    /**
     * Ends of the two travellers of each link of a chain: near ends 0 and 1, far ends 2 and 3, straight or crossed, and each
     * intermediate either way round.
     */
    private static void travellerEnds(List<Integer> chain, Consumer<List<EndRequirement[]>> use) {
        int links = chain.size() - 1;
        int middles = links - 1;
        for (int crossed = 0; crossed < 1 << links; crossed++) {
            for (int turned = 0; turned < 1 << middles; turned++) {
                List<EndRequirement[]> ends = new ArrayList<>();
                for (int link = 0; link < links; link++) {
                    String[] near = link == 0 ? new String[] {"L1", "L2"} : SIDES[1 - (turned >> link - 1 & 1)];
                    String[] far = link == links - 1 ? new String[] {"L1", "L2"} : SIDES[turned >> link & 1];
                    int cross = crossed >> link & 1;
                    ends.add(new EndRequirement[] {
                        new EndRequirement(chain.get(link), near[0]),
                        new EndRequirement(chain.get(link), near[1]),
                        new EndRequirement(chain.get(link + 1), far[cross]),
                        new EndRequirement(chain.get(link + 1), far[1 - cross])
                    });
                }
                use.accept(ends);
            }
        }
    }

    /** A conductor from the first box to the last, through a joint in every box between. */
    private static void through(
            List<Integer> way,
            EndRequirement from,
            EndRequirement to,
            String joint,
            ConductorRole role,
            List<Wire> wires) {
        EndRequirement at = from;
        for (int i = 1; i < way.size() - 1; i++) {
            EndRequirement middle = new EndRequirement(way.get(i), joint);
            wires.add(new Wire(role, at, middle));
            at = middle;
        }
        wires.add(new Wire(role, at, to));
    }

    /** The neutral that comes with the feed and goes on with the lamp wire, or none in the boxes. */
    private static void neutralThrough(List<Integer> way, boolean neutral, List<Wire> wires) {
        if (!neutral) {
            return;
        }
        wires.add(new Wire(
                NEUTRAL, EndRequirement.supply(NEUTRAL), new EndRequirement(way.get(0), EndRequirement.NEUTRALS)));
        if (way.size() > 1) {
            through(
                    way,
                    new EndRequirement(way.get(0), EndRequirement.NEUTRALS),
                    new EndRequirement(way.get(way.size() - 1), EndRequirement.NEUTRALS),
                    EndRequirement.NEUTRALS,
                    NEUTRAL,
                    wires);
        }
        wires.add(new Wire(
                NEUTRAL,
                new EndRequirement(way.get(way.size() - 1), EndRequirement.NEUTRALS),
                EndRequirement.lamp(EndRequirement.LAMP_N)));
    }

    private static EndRequirement common(int box) {
        return new EndRequirement(box, "COM");
    }

    private static Wire toLamp(EndRequirement from) {
        return new Wire(SWITCHED_LIVE, from, EndRequirement.lamp(EndRequirement.LAMP_L));
    }

    private static Wire fromLamp(EndRequirement to) {
        return new Wire(PERMANENT_LIVE, EndRequirement.lamp(EndRequirement.LAMP_LIVE), to);
    }

    private static String named(String topology, List<Integer> chain) {
        return chain.size() > 2 ? topology + "_WITH_INTERMEDIATE" : topology;
    }

    private void add(String topology, List<Integer> boxes, EndRequirement feed, boolean neutral, List<Wire> wires) {
        List<Integer> ordered = new ArrayList<>(boxes);
        ordered.sort(null);
        found.add(new Topology(topology, ordered, feed, neutral, wires));
    }
}
