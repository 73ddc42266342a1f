package org.hiddenclerk.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hiddenclerk.core.testing.Boxes.common;
import static org.hiddenclerk.core.testing.Boxes.throwOf;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing;
import org.hiddenclerk.core.wiring.paper.Move;
import org.hiddenclerk.core.wiring.paper.TerminalTable;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.scheme.Assignment;

/** Every plan made over the space of surveys that the schemes apply to is proved, and leads back to where it came from. */
class PlannedWiringProperties {

    /** How a box is fed, and where its conductors are found. */
    enum Found {
        LIVE_ON_SWITCH,
        LIVE_IN_CONNECTOR,
        LIVE_ON_LAST_SWITCH,
        THROWS_EXCHANGED
    }

    /** Which modules go in. */
    enum Fitted {
        ONE_FOR_ALL,
        ONE_EACH,
        FIRST_ONLY,
        ONE_WITH_ELV_INPUTS,
        ONE_FOR_ALL_SMALL_TERMINALS
    }

    /** One case of the space. */
    record Case(
            RegionProfile region,
            int gangs,
            Found found,
            Fitted fitted,
            Mechanism mechanism,
            InputBehaviour behaviour) {
        @Override
        public String toString() {
            return String.join(
                    " ",
                    region.name(),
                    gangs + " gangs",
                    found.name(),
                    fitted.name(),
                    mechanism.name(),
                    behaviour.name());
        }
    }

    @Provide
    Arbitrary<Case> cases() {
        return Combinators.combine(
                        Arbitraries.of(RegionProfile.class),
                        Arbitraries.integers().between(1, 2),
                        Arbitraries.of(Found.class),
                        Arbitraries.of(Fitted.class),
                        Arbitraries.of(Mechanism.ONE_WAY, Mechanism.PUSH_MAKE, Mechanism.PUSH_BREAK),
                        Arbitraries.of(
                                InputBehaviour.EVERY_FLIP, InputBehaviour.POSITION_RULES, InputBehaviour.PRESS_CHANGES))
                .as(Case::new)
                .filter(PlannedWiringProperties::isSensible);
    }

    /**
     * A push cannot be ruled by its position or toggle at both edges; a rocker cannot be pressed; a plain push without a
     * relay does not keep its lamp on.
     */
    private static boolean isSensible(Case one) {
        boolean push = one.mechanism().isPush();
        boolean plainPushLeft = push && one.gangs() > 1 && one.fitted() == Fitted.FIRST_ONLY;
        return push == (one.behaviour() == InputBehaviour.PRESS_CHANGES) && !plainPushLeft;
    }

    @Property(tries = 400)
    void planWithNeutralIsProved(@ForAll("cases") Case one) {
        Box box = withNeutral(one);

        WiringPlan plan = WiringPlan.of(Boxes.house(one.region()), box, modules(one));

        assertThat(plan.findings())
                .as(one + "\n" + plan.after().map(TerminalTable::of))
                .isEmpty();
        assertThat(plan.verdict()).isEqualTo(Verdict.OK);
        assertThat(plan.after()).isPresent();
    }

    @Property(tries = 200)
    void twoWirePlanIsProved(@ForAll("cases") Case one) {
        boolean loop = one.found() == Found.LIVE_IN_CONNECTOR || one.found() == Found.LIVE_ON_LAST_SWITCH;
        Box box = withoutNeutral(one, loop);
        boolean bypass = one.fitted() == Fitted.FIRST_ONLY;
        ModuleModel model = Modules.twoWire(bypass ? 30 : 10, Modules.usualRatings());
        List<Assignment> modules = new ArrayList<>();
        for (int gang = 1; gang <= one.gangs(); gang++) {
            modules.add(new Assignment(
                    model,
                    List.of(gang),
                    Map.of(gang, one.behaviour()),
                    bypass ? Optional.of(Watts.of(20)) : Optional.empty()));
        }

        WiringPlan plan = WiringPlan.of(Boxes.house(one.region()), box, modules);

        assertThat(plan.verdict())
                .as(one + "\n" + plan.after().map(TerminalTable::of))
                .isEqualTo(Verdict.OK);
        assertThat(plan.findings())
                .as(one.toString())
                .extracting(f -> f.code())
                .allMatch(code -> code == FindingCode.GHOST_GLOW && !bypass);
    }

    @Property(tries = 200)
    void theWayBackEndsWhereTheWorkBegan(@ForAll("cases") Case one) {
        WiringPlan plan = WiringPlan.of(Boxes.house(one.region()), withNeutral(one), modules(one));
        BoxWiring before = plan.before();
        BoxWiring after = plan.after().orElseThrow();

        Set<String> moved = new HashSet<>();
        Move.between(before, after).forEach(move -> moved.add(move.conductor()));
        Set<String> movedBack = new HashSet<>();
        Move.between(after, before).forEach(move -> movedBack.add(move.conductor()));

        assertThat(movedBack).isEqualTo(moved);
        before.ends().forEach((core, end) -> assertThat(moved.contains(core))
                .as(core)
                .isEqualTo(!after.ends().get(core).equals(end)));
    }

    @Property(tries = 200)
    void noTwoConductorsOfADrawingRunOverEachOther(@ForAll("cases") Case one) {
        WiringPlan plan = WiringPlan.of(Boxes.house(one.region()), withNeutral(one), modules(one));
        BoxDrawing drawing = BoxDrawing.of(plan, true, Boxes.house(one.region()));

        Map<Integer, String> tracks = new LinkedHashMap<>();
        Map<Integer, String> columns = new LinkedHashMap<>();
        for (BoxDrawing.Wire wire : drawing.wires()) {
            for (int i = 1; i < wire.points().size(); i++) {
                BoxDrawing.Point from = wire.points().get(i - 1);
                BoxDrawing.Point to = wire.points().get(i);
                boolean level = from.y() == to.y();
                String other =
                        level ? tracks.putIfAbsent(from.y(), wire.key()) : columns.putIfAbsent(from.x(), wire.key());
                assertThat(other)
                        .as("%s: %s and %s share a run", one, wire.key(), other)
                        .isNull();
                assertThat(from.x() >= 0 && from.x() <= drawing.width() && to.y() <= drawing.height())
                        .isTrue();
            }
        }
    }

    private static Box withNeutral(Case one) {
        Boxes box = Boxes.box();
        for (int gang = 1; gang <= one.gangs(); gang++) {
            box.gang(one.mechanism(), "4", "2 LED 7");
        }
        boolean exchanged = one.found() == Found.THROWS_EXCHANGED;
        End live =
                switch (one.found()) {
                    case LIVE_ON_SWITCH -> common(1);
                    case THROWS_EXCHANGED -> throwOf(1);
                    case LIVE_ON_LAST_SWITCH -> common(one.gangs());
                    case LIVE_IN_CONNECTOR -> new End.InConnector("live");
                };
        box.feed("4", live);
        for (int gang = 1; gang <= one.gangs(); gang++) {
            box.lamp(gang, exchanged ? common(gang) : throwOf(gang), "4");
            if (one.found() == Found.LIVE_IN_CONNECTOR) {
                box.jumper(new End.InConnector("live"), common(gang));
            } else if (gang > 1) {
                box.jumper(exchanged ? throwOf(gang - 1) : common(gang - 1), exchanged ? throwOf(gang) : common(gang));
            }
        }
        return box.build();
    }

    private static Box withoutNeutral(Case one, boolean loop) {
        Boxes box = Boxes.box();
        for (int gang = 1; gang <= one.gangs(); gang++) {
            box.gang(one.mechanism(), "4", "2 LED 7");
        }
        if (loop) {
            for (int gang = 1; gang <= one.gangs(); gang++) {
                box.loop(gang, "4", common(gang), throwOf(gang));
            }
            return box.build();
        }
        box.feedWithoutNeutral("4", common(1));
        for (int gang = 1; gang <= one.gangs(); gang++) {
            box.lampWithoutNeutral(gang, throwOf(gang));
            if (gang > 1) {
                box.jumper(common(gang - 1), common(gang));
            }
        }
        return box.build();
    }

    private static List<Assignment> modules(Case one) {
        List<Integer> all = one.gangs() == 1 ? List.of(1) : List.of(1, 2);
        return switch (one.fitted()) {
            case ONE_FOR_ALL -> List.of(assigned(one, Modules.withNeutral(2, 2, Modules.usualRatings()), all));
            case ONE_FOR_ALL_SMALL_TERMINALS ->
                List.of(assigned(one, Modules.withNeutral(2, 1, Modules.usualRatings()), all));
            case ONE_WITH_ELV_INPUTS -> List.of(assigned(one, Modules.withElvInputs(2, Modules.usualRatings()), all));
            case FIRST_ONLY -> List.of(assigned(one, Modules.withNeutral(1, 2, Modules.usualRatings()), List.of(1)));
            case ONE_EACH ->
                all.stream()
                        .map(gang -> assigned(one, Modules.withNeutral(1, 1, Modules.usualRatings()), List.of(gang)))
                        .toList();
        };
    }

    private static Assignment assigned(Case one, ModuleModel model, List<Integer> gangs) {
        Map<Integer, InputBehaviour> behaviours = new LinkedHashMap<>();
        gangs.forEach(gang -> behaviours.put(gang, one.behaviour()));
        return new Assignment(model, gangs, behaviours, Optional.empty());
    }
}
