package org.hiddenclerk.core.matching.survey;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.electrical.part.ConductorCapacity;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.Stage;
import org.hiddenclerk.core.wiring.run.HouseContext;

/**
 * A fact that a survey lacks, and the decision that waits for it. What no decision needs is not asked for.
 *
 * @param fact     what to find out, in words
 * @param decision what it decides, in words
 * @param stage    where that is decided
 * @param where    part of the survey to enter it in
 */
public record SurveyNeed(String fact, String decision, Stage stage, Where where) {
    /** What 1 mm² carries, the thinnest usual conductor. */
    private static final double THINNEST_AMPS = ConductorCapacity.amps(1).orElseThrow();

    /** Parts of a survey, and what lies beside it. */
    public enum Where {
        BOX,
        SWITCHES,
        CABLES,
        HOUSE,
        TRACE
    }

    /**
     * What a box lacks, in the order in which it is needed.
     *
     * @param certain whether every conductor was found out by readings, or by its place alone
     */
    public static List<SurveyNeed> of(HouseContext house, Box box, boolean certain) {
        List<SurveyNeed> needs = new ArrayList<>();
        boolean hasLoad = !box.loads().isEmpty();
        if (box.gangs().isEmpty() && !hasLoad && !box.kind().isAtLoad()) {
            needs.add(new SurveyNeed(
                    "the switches in the box", "what a module must do here", Stage.MATCH, Where.SWITCHES));
        }
        if (box.kind().isAtLoad() && !hasLoad) {
            needs.add(
                    new SurveyNeed("what hangs here", "the rating that a contact needs", Stage.MATCH, Where.SWITCHES));
        }
        boolean toOthers = box.cables().stream().anyMatch(cable -> cable.leads() instanceof Leads.ToBox);
        for (Gang gang : box.gangs()) {
            if (box.loadsOf(gang.number()).isEmpty() && !toOthers) {
                needs.add(new SurveyNeed(
                        "what " + gang.name() + " switches",
                        "the rating that a contact needs",
                        Stage.MATCH,
                        Where.SWITCHES));
            }
        }
        if (box.cables().isEmpty() && !(box.gangs().isEmpty() && !hasLoad)) {
            needs.add(new SurveyNeed(
                    "the cables and where their cores end",
                    "whether a neutral is here, and the drawing",
                    Stage.DRAW,
                    Where.CABLES));
        }
        for (Cable cable : box.cables()) {
            if (cable.leads() instanceof Leads.ToBox to && to.box().isEmpty()) {
                needs.add(new SurveyNeed(
                        "the box that " + cable.name() + " leads to",
                        "which switches act on the lamp",
                        Stage.DRAW,
                        Where.CABLES));
            }
        }
        if (toOthers && !certain) {
            needs.add(new SurveyNeed(
                    "which core of the cables to other boxes is what",
                    "the drawing: colours prove nothing",
                    Stage.TRACE,
                    Where.TRACE));
        }
        for (Circuit circuit : circuitsWithoutCable(house, box)) {
            needs.add(new SurveyNeed(
                    "the cable size of circuit " + circuit.label(),
                    "whether its device protects the cable",
                    Stage.SURVEY,
                    Where.HOUSE));
        }
        return needs;
    }

    /** Circuits large enough that a thin cable would matter: above what the thinnest usual conductor carries. */
    private static List<Circuit> circuitsWithoutCable(HouseContext house, Box box) {
        return box.circuits().stream()
                .map(house.circuits()::get)
                .filter(java.util.Objects::nonNull)
                .filter(circuit -> !circuit.isElv()
                        && circuit.protection().cableMm2().isEmpty()
                        && circuit.rating().asDouble() > THINNEST_AMPS)
                .toList();
    }
}
