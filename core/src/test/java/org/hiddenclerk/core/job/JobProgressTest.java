package org.hiddenclerk.core.job;

import static org.assertj.core.api.Assertions.assertThat;

import org.hiddenclerk.core.job.JobProgress.State;
import org.junit.jupiter.api.Test;

class JobProgressTest {
    @Test
    void theNextStepFollowsTheOrderOfTheWork() {
        assertThat(new JobProgress(0, 0, 0, 0, false, false).next()).isEqualTo("survey the first box");
        assertThat(new JobProgress(3, 0, 0, 0, false, false).next()).isEqualTo("pick modules: 3 boxes wait");
        assertThat(new JobProgress(3, 2, 0, 0, false, false).next()).isEqualTo("issue plans: 2 of 2 wait");
        assertThat(new JobProgress(3, 2, 1, 0, false, false).nextStage()).isEqualTo(Stage.FIT);
        assertThat(new JobProgress(3, 2, 1, 1, false, false).nextStage()).isEqualTo(Stage.DRAW);
        assertThat(new JobProgress(3, 2, 2, 2, false, false).next()).isEqualTo("test and hand over");
    }

    @Test
    void theStateIsTheFurthestThatHolds() {
        assertThat(new JobProgress(3, 2, 0, 0, false, false).state()).isEqualTo(State.PLANNING);
        assertThat(new JobProgress(3, 2, 1, 0, false, false).state()).isEqualTo(State.ON_SITE);
        assertThat(new JobProgress(3, 2, 2, 2, false, false).state()).isEqualTo(State.TO_HAND_OVER);
        assertThat(new JobProgress(3, 2, 2, 2, true, false).state()).isEqualTo(State.HANDED_OVER);
        assertThat(new JobProgress(3, 2, 2, 2, true, true).state()).isEqualTo(State.ARCHIVED);
    }
}
