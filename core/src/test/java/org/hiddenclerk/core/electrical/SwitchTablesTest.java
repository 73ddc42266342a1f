package org.hiddenclerk.core.electrical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.SoftAssertions.assertSoftly;

import java.util.LinkedHashMap;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.InputBehaviour.Reaction;
import org.hiddenclerk.core.electrical.part.LoadState;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.TruthTable;
import org.hiddenclerk.core.finding.Verdict;
import org.junit.jupiter.api.Test;

/** Switch logic: check values XR-1 to XR-9 and SQ-1 to SQ-6, each following directly from the rule stated with it. */
class SwitchTablesTest {

    /** The lamp of a chain of change-overs is the parity of all positions; XR-1 to XR-9. */
    @Test
    void chainsOfChangeOversLightAsPublished() {
        assertSoftly(softly -> {
            Map<String, Boolean> rows = new LinkedHashMap<>();
            rows.put("00", false);
            rows.put("01", true);
            rows.put("10", true);
            rows.put("11", false);
            rows.put("001", true);
            rows.put("101", false);
            rows.put("111", true);
            rows.put("1111", false);
            rows.put("10110", true);
            rows.forEach((positions, lit) -> softly.assertThat(isLit(chain(positions.length()), positions))
                    .as(positions)
                    .isEqualTo(lit));
        });
    }

    @Property(tries = 40)
    void flippingAnyOneSwitchOfAChainChangesTheLamp(
            @ForAll @IntRange(min = 2, max = 7) int switches,
            @ForAll @IntRange(min = 0, max = 127) int positions,
            @ForAll @IntRange(min = 0, max = 6) int flipped) {
        WiringCheck.Result result = WiringCheck.of(chain(switches));
        String before = bits(positions, switches);
        String after = bits(positions ^ 1 << flipped % switches, switches);

        assertThat(result.verdict()).isEqualTo(Verdict.OK);
        assertThat(isLit(result, after)).isEqualTo(!isLit(result, before));
    }

    /** SQ-1 to SQ-6: F flip, P press and release, R1 and R0 remote on and off. */
    @Test
    void inputModesGiveThePublishedSequences() {
        assertSoftly(softly -> {
            Object[][] rows = {
                {"SQ-1", InputBehaviour.POSITION_RULES, "F R0 F F", "1 0 0 1"},
                {"SQ-2", InputBehaviour.POSITION_RULES, "R1 F F", "1 1 0"},
                {"SQ-3", InputBehaviour.EVERY_FLIP, "F R0 F F", "1 0 1 0"},
                {"SQ-4", InputBehaviour.EVERY_FLIP, "R1 F F", "1 0 1"},
                {"SQ-5", InputBehaviour.PRESS_CHANGES, "P R0 P P", "1 0 1 0"},
                {"SQ-6", InputBehaviour.POSITION_RULES, "F F R1 R0 F", "1 0 1 0 1"}
            };
            for (Object[] row : rows) {
                softly.assertThat(lampAfter((InputBehaviour) row[1], (String) row[2]))
                        .as((String) row[0])
                        .isEqualTo(row[3]);
            }
        });
    }

    private static String lampAfter(InputBehaviour behaviour, String events) {
        boolean position = false;
        boolean lamp = false;
        StringBuilder after = new StringBuilder();
        for (String event : events.split(" ")) {
            switch (event) {
                case "F" -> {
                    position = !position;
                    lamp = react(behaviour.onChange(position), lamp);
                }
                case "P" -> lamp = react(behaviour.onChange(false), react(behaviour.onChange(true), lamp));
                default -> lamp = event.equals("R1");
            }
            after.append(lamp ? "1 " : "0 ");
        }
        return after.toString().strip();
    }

    private static boolean react(Reaction reaction, boolean lamp) {
        return switch (reaction) {
            case NONE, DIRECTION -> lamp;
            case TOGGLE -> !lamp;
            case SWITCH_ON -> true;
            case SWITCH_OFF -> false;
        };
    }

    private static String bits(int positions, int switches) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < switches; i++) {
            text.append(positions >> i & 1);
        }
        return text.toString();
    }

    /**
     * Two-way switches at the ends and intermediates between. The last two-way is wired crossed, so that all at 0 is off,
     * as in the published rows.
     */
    private static Wiring chain(int switches) {
        Wirings wirings = Wirings.mains().mechanism("S1", Mechanism.TWO_WAY, "COM=l", "L1=a1", "L2=b1");
        String[] controls = new String[switches];
        controls[0] = "S1";
        for (int i = 2; i < switches; i++) {
            wirings.mechanism(
                    "S" + i, Mechanism.INTERMEDIATE, "A1=a" + (i - 1), "A2=b" + (i - 1), "B1=a" + i, "B2=b" + i);
            controls[i - 1] = "S" + i;
        }
        controls[switches - 1] = "S" + switches;
        String last = "" + (switches - 1);
        return wirings.mechanism("S" + switches, Mechanism.TWO_WAY, "COM=lamp", "L1=b" + last, "L2=a" + last)
                .lamp("X1", 15, "lamp", "n")
                .intent("X1", false, controls)
                .build();
    }

    private static boolean isLit(Wiring wiring, String positions) {
        return isLit(WiringCheck.of(wiring), positions);
    }

    private static boolean isLit(WiringCheck.Result result, String positions) {
        for (TruthTable.Row row : result.truthTable()) {
            boolean matches = true;
            for (int i = 0; i < positions.length(); i++) {
                matches &= row.state().switches().get("S" + (i + 1)) == positions.charAt(i) - '0';
            }
            if (matches) {
                return row.loads().get("X1").state() == LoadState.ON;
            }
        }
        throw new AssertionError("No row for " + positions);
    }
}
