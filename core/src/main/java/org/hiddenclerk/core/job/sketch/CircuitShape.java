package org.hiddenclerk.core.job.sketch;

import static org.hiddenclerk.core.electrical.part.Mechanism.ONE_WAY;
import static org.hiddenclerk.core.electrical.part.Mechanism.PUSH_MAKE;
import static org.hiddenclerk.core.electrical.part.Mechanism.TWO_WAY;
import static org.hiddenclerk.core.job.Role.NEUTRAL;
import static org.hiddenclerk.core.job.Role.PERMANENT_LIVE;
import static org.hiddenclerk.core.job.Role.SWITCHED_LIVE;
import static org.hiddenclerk.core.job.Role.TRAVELLER;
import static org.hiddenclerk.core.job.sketch.SketchDraft.wired;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Drive;
import org.hiddenclerk.core.job.End;

/** Circuits that one meets; common practice, no source. Each tells its places and how its cables run between them. */
public enum CircuitShape {
    ONE_WAY_FEED_AT_SWITCH(
            "one switch, the feed comes in at the switch",
            Set.of(Trait.SEVERAL_GANGS, Trait.NEUTRAL_MAY_LACK),
            List.of("A")) {
        @Override
        void wire(SketchDraft draft) {
            List<End> commons = new ArrayList<>();
            for (int i = 0; i < draft.loads().size(); i++) {
                commons.add(draft.pole("A", draft.gang("A", ONE_WAY), "COM"));
            }
            draft.feedTo("A", commons.get(0));
            for (int i = 1; i < commons.size(); i++) {
                draft.jumper("A", commons.get(i - 1), commons.get(i));
            }
            for (int i = 0; i < commons.size(); i++) {
                int gang = draft.gangsOf("A").get(i);
                draft.lamp("A", draft.load("A", i, gang), draft.pole("A", gang, "L1"));
            }
        }
    },
    ONE_WAY_SWITCH_LOOP("one switch, the feed comes in at the lamp", Set.of(), List.of("A")) {
        @Override
        void wire(SketchDraft draft) {
            int gang = draft.gang("A", ONE_WAY);
            draft.loop("A", draft.load("A", 0, gang), draft.pole("A", gang, "COM"), draft.pole("A", gang, "L1"));
        }
    },
    ONE_WAY_LAMP_PLACE_OPEN(
            "one switch, feed and lamp at a lamp place that can be opened", Set.of(), List.of("A", "X")) {
        @Override
        void wire(SketchDraft draft) {
            int gang = draft.gang("A", ONE_WAY);
            int lamp = draft.load("X", 0, 0);
            draft.earthed("X", lamp);
            draft.feedTo("X", draft.joint("X", "live"), draft.atLoad(lamp, "N"));
            draft.cable(
                    "X",
                    "A",
                    wired(PERMANENT_LIVE, draft.joint("X", "live"), draft.pole("A", gang, "COM")),
                    wired(SWITCHED_LIVE, draft.atLoad(lamp, "L"), draft.pole("A", gang, "L1")));
        }
    },
    ONE_WAY_JUNCTION("one switch, feed, switch and lamp meet in a junction box", Set.of(), List.of("A", "J", "X")) {
        @Override
        void wire(SketchDraft draft) {
            int gang = draft.gang("A", ONE_WAY);
            int lamp = draft.load("X", 0, 0);
            draft.earthed("X", lamp);
            draft.feedTo("J", draft.joint("J", "live"));
            draft.cable(
                    "J",
                    "A",
                    wired(PERMANENT_LIVE, draft.joint("J", "live"), draft.pole("A", gang, "COM")),
                    wired(SWITCHED_LIVE, draft.joint("J", "switched"), draft.pole("A", gang, "L1")));
            draft.cable(
                    "J",
                    "X",
                    wired(SWITCHED_LIVE, draft.joint("J", "switched"), draft.atLoad(lamp, "L")),
                    wired(NEUTRAL, draft.joint("J", "neutral"), draft.atLoad(lamp, "N")));
        }
    },
    TWO_WAY_THROUGH(
            "two switches, feed at the first, lamp from the last",
            Set.of(Trait.BETWEEN, Trait.NEUTRAL_MAY_LACK),
            List.of("A", "B")) {
        @Override
        void wire(SketchDraft draft) {
            List<Integer> gangs = draft.chain();
            draft.feedTo("A", draft.pole("A", gangs.get(0), "COM"));
            draft.travellers(gangs, (from, to, isLast) -> {
                List<SketchDraft.Wire> more = new ArrayList<>();
                draft.neutral(from)
                        .ifPresent(end ->
                                more.add(wired(NEUTRAL, end, draft.neutral(to).orElseThrow())));
                return more;
            });
            int lamp = gangs.get(gangs.size() - 1);
            draft.lamp("B", draft.load("B", 0, lamp), draft.pole("B", lamp, "COM"));
        }
    },
    TWO_WAY_FEED_AND_LAMP_TOGETHER(
            "two switches, feed and lamp both at the first",
            Set.of(Trait.BETWEEN, Trait.NEUTRAL_MAY_LACK),
            List.of("A", "B")) {
        @Override
        void wire(SketchDraft draft) {
            List<Integer> gangs = draft.chain();
            draft.feedTo("A", draft.pole("A", gangs.get(0), "COM"));
            int last = gangs.get(gangs.size() - 1);
            draft.travellers(
                    gangs,
                    (from, to, isLast) -> List.of(wired(
                            SWITCHED_LIVE,
                            draft.joint(from, "back"),
                            isLast ? draft.pole("B", last, "COM") : draft.joint(to, "back"))));
            draft.lamp("A", draft.load("A", 0, gangs.get(0)), draft.joint("A", "back"));
        }
    },
    TWO_WAY_FEED_AT_LAMP("two switches, the feed comes in at the lamp", Set.of(), List.of("A", "B", "X")) {
        @Override
        void wire(SketchDraft draft) {
            int a = draft.gang("A", TWO_WAY);
            int b = draft.gang("B", TWO_WAY);
            int lamp = draft.load("X", 0, 0);
            draft.earthed("X", lamp);
            draft.feedTo("X", draft.joint("X", "live"), draft.atLoad(lamp, "N"));
            draft.travellersThrough(
                    "X", "A", a, wired(PERMANENT_LIVE, draft.joint("X", "live"), draft.pole("A", a, "COM")));
            draft.travellersThrough(
                    "X", "B", b, wired(SWITCHED_LIVE, draft.atLoad(lamp, "L"), draft.pole("B", b, "COM")));
        }
    },
    TWO_WAY_FEED_BETWEEN(
            "two switches, the feed comes in at a junction box between them", Set.of(), List.of("A", "J", "B")) {
        @Override
        void wire(SketchDraft draft) {
            int a = draft.gang("A", TWO_WAY);
            int b = draft.gang("B", TWO_WAY);
            draft.feedTo("J", draft.joint("J", "live"));
            draft.travellersThrough(
                    "J", "A", a, wired(PERMANENT_LIVE, draft.joint("J", "live"), draft.pole("A", a, "COM")));
            draft.travellersThrough(
                    "J", "B", b, wired(NEUTRAL, draft.joint("J", "neutral"), draft.joint("B", "neutral")));
            draft.lamp("B", draft.load("B", 0, b), draft.pole("B", b, "COM"));
        }
    },
    THREE_STRAPPER("two switches, three straps between them, feed and lamp at the first", Set.of(), List.of("A", "B")) {
        @Override
        void wire(SketchDraft draft) {
            int a = draft.gang("A", TWO_WAY);
            int b = draft.gang("B", TWO_WAY);
            draft.feedTo("A", draft.pole("A", a, "L1"));
            draft.cable(
                    "A",
                    "B",
                    wired(TRAVELLER, draft.pole("A", a, "COM"), draft.pole("B", b, "COM")),
                    wired(TRAVELLER, draft.pole("A", a, "L1"), draft.pole("B", b, "L1")),
                    wired(TRAVELLER, draft.pole("A", a, "L2"), draft.pole("B", b, "L2")));
            draft.lamp("A", draft.load("A", 0, a), draft.pole("A", a, "L2"));
        }
    },
    SOCKET_OUTLET("a socket outlet with its feed", Set.of(), List.of("S")) {
        @Override
        void wire(SketchDraft draft) {
            int socket = draft.load("S", 0, 0);
            draft.feed(
                    "S",
                    List.of(
                            wired(PERMANENT_LIVE, draft.atLoad(socket, "L")),
                            wired(NEUTRAL, draft.atLoad(socket, "N"))),
                    draft.atLoad(socket, "PE"));
        }
    },
    FAN_WITH_LIGHT("one switch, a fan with its light in one canopy", Set.of(Trait.TWO_LOADS), List.of("A", "C")) {
        @Override
        void wire(SketchDraft draft) {
            int gang = draft.gang("A", ONE_WAY);
            int fan = draft.load("C", 0, 0);
            int light = draft.load("C", 1, 0);
            draft.earthed("C", fan);
            draft.earthed("C", light);
            draft.feedTo("A", draft.pole("A", gang, "COM"));
            draft.cable(
                    "A",
                    "C",
                    wired(SWITCHED_LIVE, draft.pole("A", gang, "L1"), draft.atLoad(fan, "L")),
                    wired(NEUTRAL, draft.joint("A", "neutral"), draft.atLoad(fan, "N")));
            draft.jumper("C", draft.atLoad(fan, "L"), draft.atLoad(light, "L"));
            draft.jumper("C", draft.atLoad(fan, "N"), draft.atLoad(light, "N"));
        }
    },
    BLIND("a button up and a button down, one blind", Set.of(), List.of("A")) {
        @Override
        void wire(SketchDraft draft) {
            int up = draft.gang("A", PUSH_MAKE, " up");
            int down = draft.gang("A", PUSH_MAKE, " down");
            draft.feedTo("A", draft.pole("A", up, "COM"));
            draft.jumper("A", draft.pole("A", up, "COM"), draft.pole("A", down, "COM"));
            draft.motor(
                    "A",
                    draft.winding("A", up, Drive.Direction.UP),
                    draft.pole("A", up, "L1"),
                    draft.winding("A", down, Drive.Direction.DOWN),
                    draft.pole("A", down, "L1"));
        }
    };

    /** What differs between shapes in what may be said of them. */
    public enum Trait {
        /** A switch for each load, all of them fed together. */
        SEVERAL_GANGS,
        /** Intermediate switches may stand between the first and the last. */
        BETWEEN,
        /** The neutral may lie elsewhere. */
        NEUTRAL_MAY_LACK,
        /** It is for two loads. */
        TWO_LOADS
    }

    /** Switches that stand in one box at most. */
    static final int MOST_GANGS = 6;

    static final int MOST_BETWEEN = 4;

    private final String words;
    private final Set<Trait> traits;
    private final List<String> keys;

    CircuitShape(String words, Set<Trait> traits, List<String> keys) {
        this.words = words;
        this.traits = traits;
        this.keys = keys;
    }

    abstract void wire(SketchDraft draft);

    public String words() {
        return words;
    }

    public boolean has(Trait trait) {
        return traits.contains(trait);
    }

    /** How many loads it is for, at least and at most. */
    public int leastLoads() {
        return has(Trait.TWO_LOADS) ? 2 : 1;
    }

    public int mostLoads() {
        return has(Trait.SEVERAL_GANGS) ? MOST_GANGS : leastLoads();
    }

    public int mostBetween() {
        return has(Trait.BETWEEN) ? MOST_BETWEEN : 0;
    }

    /** Its places, from the first switch on. */
    public List<SketchedPlace> places(int between) {
        List<SketchedPlace> places = new ArrayList<>();
        boolean two = keys.contains("B");
        for (String key : keys) {
            if (key.equals("B")) {
                for (int i = 1; i <= between; i++) {
                    places.add(new SketchedPlace("I" + i, BoxKind.WALL, "switch between, " + i));
                }
            }
            places.add(
                    switch (key) {
                        case "A" -> new SketchedPlace(key, BoxKind.WALL, two ? "first switch" : "switch");
                        case "B" -> new SketchedPlace(key, BoxKind.WALL, "last switch");
                        case "J" -> new SketchedPlace(key, BoxKind.JUNCTION, "junction box");
                        case "X" -> new SketchedPlace(key, BoxKind.LUMINAIRE, "lamp place");
                        case "C" -> new SketchedPlace(key, BoxKind.CANOPY, "canopy");
                        case "S" -> new SketchedPlace(key, BoxKind.SOCKET, "socket outlet");
                        default -> throw new IllegalStateException("Impossible place: " + key);
                    });
        }
        return places;
    }
}
