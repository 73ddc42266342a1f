package org.hiddenclerk.core.matching;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.testing.Topologies;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.junit.jupiter.api.Test;

/** Figures and names are facts of a finding; the words around them are the same for every house. */
class FindingFactsTest {
    /** Figures that are part of a rule's name and never differ. */
    private static final Pattern STANDING = Pattern.compile("4 AWG|2\\.4 GHz|240\\.\\d+|\\{\\d}");

    private static final List<ModuleModel> MODELS = List.of(
            Modules.withNeutral(1, 2, Modules.generous()),
            Modules.withNeutral(2, 1, Modules.usualRatings()),
            Modules.twoWire(40),
            Modules.blinking(),
            Modules.voltFree(),
            Modules.blind(),
            Modules.heavy(),
            Modules.direct(9, 30));

    @Test
    void theWordsOfAFindingHoldNoFigureOfTheHouse() {
        List<Finding> findings = new ArrayList<>();
        for (RegionProfile region : RegionProfile.values()) {
            HouseContext house = Boxes.house(region);
            Topologies.all(region).values().forEach(run -> {
                Planner planner = new Planner(house, run);
                MODELS.forEach(model -> findings.addAll(PlanJudgement.of(
                                planner,
                                List.of(new Assignment(model, List.of(1), Map.of(), Optional.empty())),
                                Map.of(),
                                Terms.USUAL)
                        .findings()));
            });
        }

        assertThat(findings)
                .extracting(Finding::code)
                .contains(FindingCode.RATING_UNKNOWN, FindingCode.BELOW_MINIMUM_LOAD, FindingCode.CHANNELS_INTERLOCKED);
        assertThat(findings).allSatisfy(finding -> {
            assertThat(STANDING.matcher(finding.sentence().words()).replaceAll(""))
                    .as(finding.reason())
                    .doesNotContainPattern("\\d");
            assertThat(finding.reason()).doesNotContain("{", "}", "/survey", "j.neutral");
        });
    }

    /** Two matters with the same part are two; the same matter with another figure is another. */
    @Test
    void whatIsTakenOnFallsWithItsFacts() {
        Finding volts = Finding.of(
                FindingCode.SURVEY_INCOMPLETE,
                new Subject.Load("gate"),
                Sentence.of("What volts {0} works with is not surveyed.", "gate"),
                Source.COMPUTED);
        Finding supply = Finding.of(
                FindingCode.SURVEY_INCOMPLETE,
                new Subject.Load("gate"),
                Sentence.of("The supply of {0} is not surveyed.", "gate"),
                Source.COMPUTED);
        Sentence light = Sentence.of("{found} of {allowed}.")
                .found(new BigDecimal("36"), "W")
                .allowed(new BigDecimal("100"), "W");

        assertThat(volts.sentence().facts()).isNotEqualTo(supply.sentence().facts());
        assertThat(light.facts())
                .isNotEqualTo(light.found(new BigDecimal("90"), "W").facts());
        assertThat(light.facts())
                .isEqualTo(new Sentence(
                                "Carries {found}; {allowed} is its limit.", light.found(), light.allowed(), List.of())
                        .facts());
    }

    @Test
    void theSentenceIsMadeOfTheFacts() {
        Sentence over = Sentence.of("{0}: {found} of {allowed}, {excess} too much.", "channel O1")
                .found(12.5, 1, "A")
                .allowed(new BigDecimal("10"), "A");
        Sentence under = Sentence.of("{left} left of {allowed}; {1} is not there.")
                .found(7, 0, "mm")
                .allowed(10, 0, "mm");

        assertThat(over.text()).isEqualTo("channel O1: 12.5\u2009A of 10\u2009A, 2.5\u2009A too much.");
        assertThat(under.text()).isEqualTo("3\u2009mm left of 10\u2009mm; {1} is not there.");
    }
}
