package org.hiddenclerk.e2e;

import java.util.List;

/** A work by its boxes, the first of which it is planned from; a line of its text that leads to another box is added when that is there. */
enum WalkedWork {
    TWO_WAY(
            List.of(new Pick("", "MULTI_SECOND_UNLOADED", "TG-1N", "")),
            List.of("A: TG-1N", "B: TG-1N"),
            """
            box A wall 60x60x61
            switch 1 two-way "stairs below" circuit 1 depth 22
            cable c1 1.5 feed 1
              brown live 1.COM
              blue neutral joint:neutral
              green-yellow earth joint:earth
            cable c2 1.5 to B c1
              brown traveller 1.L1
              black traveller 1.L2
              blue neutral joint:neutral
              green-yellow earth joint:earth
            """,
            """
            box B wall 60x60x61
            switch 1 two-way "stairs above" circuit 1 depth 22
            load 1 "stair lamp" on 1 is LED 9
            cable c1 1.5 to A c2
              brown traveller 1.L1
              black traveller 1.L2
              blue neutral joint:neutral
              green-yellow earth joint:earth
            cable c2 1.5 lamp 1
              brown switched 1.COM
              blue neutral joint:neutral
              green-yellow earth joint:earth
            """),
    SPLIT_PAIR(
            List.of(new Pick("all gangs", "SPLIT_PAIR", "HV-RL", "HV-S2")),
            List.of("A: HV-S2", "L1: HV-RL", "L2: HV-RL"),
            """
            box A wall 131x60x61
            switch 1 one-way "loom lamp switch" circuit 1 depth 22
            switch 2 one-way "shelf lamp switch" circuit 1 depth 22
            cable c1 1.5 to L1 c2
              brown live 1.COM
              black switched 1.L1
              grey switched 2.L1
              green-yellow earth joint:earth
            jumper w1 brown 1.COM 2.COM
            """,
            """
            box L1 luminaire 110x110x55
            load 1 "loom lamp" here is LED 9
            cable c1 1.5 feed 1
              brown live joint:live
              blue neutral joint:neutral
              green-yellow earth joint:earth
            cable c2 1.5 to A c1
              brown live joint:live
              black switched load1.L
              grey switched joint:shelf
              green-yellow earth joint:earth
            cable c3 1.5 to L2 c1
              brown switched joint:shelf
              blue neutral joint:neutral
              green-yellow earth joint:earth
            jumper w1 blue joint:neutral load1.N
            """,
            """
            box L2 luminaire 110x110x55
            load 1 "shelf lamp" here is LED 12
            cable c1 1.5 to L1 c3
              brown switched load1.L
              blue neutral load1.N
              green-yellow earth load1.PE
            """),
    CANOPY(
            List.of(new Pick("all gangs", "CANOPY_FAN_LIGHT", "BR-FL", "")),
            List.of("X: BR-FL"),
            """
            box A wall 131x60x61
            switch 1 one-way "fan switch" circuit 1 depth 22
            switch 2 one-way "loft light switch" circuit 1 depth 22
            cable c1 1.5 feed 1
              brown live 1.COM
              blue neutral joint:neutral
              green-yellow earth joint:earth
            cable c2 1.5 to X c1
              brown switched 1.L1
              black switched 2.L1
              grey spare capped
              blue neutral joint:neutral
              green-yellow earth joint:earth
            jumper w1 brown 1.COM 2.COM
            """,
            """
            box X canopy 130x130x60
            load 1 "loft fan" here is fan 45 pf 0.7
            load 2 "loft light" here is 3 LED 8
            cable c1 1.5 to A c2
              brown switched load1.L
              black switched load2.L
              grey spare capped
              blue neutral joint:neutral
              green-yellow earth joint:earth
            jumper w1 blue joint:neutral load1.N
            jumper w2 blue joint:neutral load2.N
            """),
    BLIND_AND_LAMP(
            List.of(
                    new Pick("blind up and blind down", "BLIND_PAIR", "TG-BD", ""),
                    new Pick("lamp switch", "BEHIND_SWITCH_N", "TG-1N", "")),
            List.of("A: TG-BD", "A: TG-1N"),
            """
            box A wall 202x60x75
            switch 1 push-make "blind up" circuit 1 depth 22
            switch 2 push-make "blind down" circuit 1 depth 22
            switch 3 one-way "lamp switch" circuit 1 depth 22
            load 1 "blind motor up" on 1 drives loft up is blind 140
            load 2 "blind motor down" on 2 drives loft down is blind 140
            load 3 "window lamp" on 3 is LED 9
            cable c1 1.5 feed 1
              brown live 1.COM
              blue neutral joint:neutral
              green-yellow earth joint:earth
            cable c2 1.5 lamp 1
              brown switched 1.L1
              black switched 2.L1 of 2
              blue neutral joint:neutral
              green-yellow earth joint:earth
            cable c3 1.5 lamp 3
              brown switched 3.L1
              blue neutral joint:neutral
              green-yellow earth joint:earth
            jumper w1 brown 1.COM 2.COM
            jumper w2 brown 2.COM 3.COM
            """),
    FOUR_GANGS(
            List.of(
                    new Pick("first and second and third", "FOUR_CHANNEL", "TG-4E", ""),
                    new Pick("fourth", "BEHIND_SWITCH_N", "TG-1N", "")),
            List.of("A: TG-4E", "A: TG-1N"),
            """
            box A wall 273x60x75
            switch 1 one-way first circuit 1 depth 22
            switch 2 one-way second circuit 1 depth 22
            switch 3 one-way third circuit 1 depth 22
            switch 4 one-way fourth circuit 2 depth 22
            load 1 "press lamp" on 1 is LED 9
            load 2 "vat lamp" on 2 is LED 9
            load 3 "bench lamp" on 3 is LED 12
            load 4 "door lamp" on 4 is LED 7
            cable c1 1.5 feed 1
              brown live 1.COM
              blue neutral joint:neutral
              green-yellow earth joint:earth
            cable c2 1.5 feed 2
              brown live 4.COM
              blue neutral joint:other
              green-yellow earth joint:earth
            cable c3 1.5 lamp 1
              brown switched 1.L1
              blue neutral joint:neutral
              green-yellow earth joint:earth
            cable c4 1.5 lamp 2
              brown switched 2.L1
              blue neutral joint:neutral
              green-yellow earth joint:earth
            cable c5 1.5 lamp 3
              brown switched 3.L1
              blue neutral joint:neutral
              green-yellow earth joint:earth
            cable c6 1.5 lamp 4
              brown switched 4.L1
              blue neutral joint:other
              green-yellow earth joint:earth
            jumper w1 brown 1.COM 2.COM
            jumper w2 brown 2.COM 3.COM
            """);

    /** A module for some gangs of the first box. @param other what goes with it, as its card says it; empty for none */
    record Pick(String group, String scheme, String module, String other) {}

    final List<Pick> picks;
    /** Every module with the box that it sits in. */
    final List<String> modules;

    final List<String> texts;

    WalkedWork(List<Pick> picks, List<String> modules, String... texts) {
        this.picks = picks;
        this.modules = modules;
        this.texts = List.of(texts);
    }

    static String labelOf(String text) {
        return text.split(" ")[1];
    }

    /** Without cables that lead to other boxes, and their cores. */
    static String alone(String text) {
        StringBuilder alone = new StringBuilder();
        boolean between = false;
        for (String line : text.lines().toList()) {
            between = line.startsWith("cable ") ? line.contains(" to ") : between && line.startsWith(" ");
            alone.append(between ? "" : line + "\n");
        }
        return alone.toString();
    }
}
