package org.hiddenclerk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.hiddenclerk.core.conductors.Reading;
import org.hiddenclerk.core.conductors.SurveyedBoard;
import org.hiddenclerk.core.conductors.Traced;
import org.hiddenclerk.core.conductors.Tracing;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.testing.Modules;

/** Made-up walls: what is true of them, found with instruments that the electrical core answers. */
class PracticeWallTest {

    @Property(tries = 120)
    void aSoundWallIsTracedByFollowingTheTests(
            @ForAll PracticeLevel level, @ForAll @IntRange(min = 0, max = 5_000) int seed) {
        PracticeWall wall = PracticeWall.of(level, seed);
        if (wall.fault().isPresent()) {
            assertThat(level).isEqualTo(PracticeLevel.TWO_CIRCUITS);
            assertThat(wall.fault()).contains(FindingCode.BORROWED_NEUTRAL);
            assertThat(new ClerksWay(wall).tests())
                    .as("no sound circuit fits what is seen")
                    .isEmpty();
            return;
        }
        SurveyedBoard board = wall.board();
        List<Reading.Answered> readings = new ArrayList<>();
        Traced traced = Tracing.of(board, wall.house().region(), readings);
        while (traced.nextTest().isPresent()) {
            assertThat(traced.possible())
                    .as("the truth is never dropped: %s %s", wall, readings)
                    .anySatisfy(p -> assertThat(p.roles()).isEqualTo(wall.truth()));
            Reading reading = traced.nextTest().get().reading();
            readings.add(new Reading.Answered(reading, new ClerksWay(wall).answer(board, reading)));
            traced = Tracing.of(board, wall.house().region(), readings);
        }
        assertThat(traced.possible()).as("%s %s", wall, readings).isNotEmpty();
        traced.certain()
                .forEach((core, role) ->
                        assertThat(role).as(core).isEqualTo(wall.truth().get(core)));
        assertThat(traced.done())
                .as("%s %s %s", wall, readings, traced.possible())
                .isTrue();
    }

    @Example
    void theSameSeedMakesTheSameWall() {
        for (PracticeLevel level : PracticeLevel.values()) {
            assertThat(PracticeWall.of(level, 7)).isEqualTo(PracticeWall.of(level, 7));
            assertThat(PracticeWall.of(level, 7)).isNotEqualTo(PracticeWall.of(level, 8));
        }
    }

    @Property(tries = 40)
    void everySoundWallCanBeFitted(@ForAll PracticeLevel level, @ForAll @IntRange(min = 0, max = 5_000) int seed) {
        PracticeWall wall = PracticeWall.of(level, seed);

        assertThat(new ClerksWay(wall)
                        .fitting(List.of(
                                Modules.withNeutral(2, 2, Modules.usualRatings()),
                                Modules.twoWire(20, Modules.usualRatings()),
                                Modules.blinking()))
                        .isPresent())
                .as("%s", wall)
                .isEqualTo(wall.fault().isEmpty());
    }
}
