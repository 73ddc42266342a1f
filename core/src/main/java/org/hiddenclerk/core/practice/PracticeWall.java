package org.hiddenclerk.core.practice;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.conductors.ConductorRole;
import org.hiddenclerk.core.conductors.SurveyedBoard;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;

/**
 * A made-up wall. The same level and seed make the same wall.
 *
 * @param boxes as they truly are, by identity; what their cores do is for the learner to find out
 * @param truth what every core does, by its identity on the board
 * @param lamp  name of the lamp that is to be commanded remotely
 */
public record PracticeWall(
        PracticeLevel level,
        long seed,
        HouseContext house,
        Map<String, Box> boxes,
        Map<String, ConductorRole> truth,
        String lamp) {
    public PracticeWall {
        boxes = Collections.unmodifiableMap(new LinkedHashMap<>(boxes));
        truth = Collections.unmodifiableMap(new LinkedHashMap<>(truth));
    }

    /** Makes a wall. */
    public static PracticeWall of(PracticeLevel level, long seed) {
        return new WallMaker(level, seed).wall();
    }

    /** What is asked of the learner. */
    public String task() {
        return "Put a module in so that the lamp \"" + lamp
                + "\" obeys remote commands and every wall switch still changes it. "
                + "If the wall is not fit to be built on, report what is wrong instead.";
    }

    public List<Circuit> circuits() {
        return house.circuits().values().stream()
                .sorted(java.util.Comparator.comparing(Circuit::label))
                .toList();
    }

    /** The wall as a board to trace. */
    public SurveyedBoard board() {
        return SurveyedBoard.of(boxes);
    }

    /** A planner that looks from a box. */
    public Planner planner(String box) {
        return new Planner(house, ConnectedBoxes.of(boxes, box, house.region()));
    }

    /** Gang of a box whose switch changes the lamp; empty where there is none. */
    public Optional<Integer> gangFor(String box) {
        Planner planner = planner(box);
        return boxes.get(box).gangs().stream()
                .map(gang -> gang.number())
                .filter(gang -> planner.loadsOfGang(gang).stream()
                        .anyMatch(load -> load.name().equals(lamp)))
                .findFirst();
    }

    /** What makes the wall unfit to be built on. */
    public Optional<FindingCode> fault() {
        return planner(boxes.keySet().iterator().next()).surveyed().findings().stream()
                .filter(WiringPlan::isInTheWay)
                .map(Finding::code)
                .findFirst();
    }
}
