package org.hiddenclerk.bench;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.hiddenclerk.core.conductors.Board;
import org.hiddenclerk.core.conductors.OpenedBox;
import org.hiddenclerk.core.conductors.SeenCore;
import org.hiddenclerk.core.conductors.Termination;
import org.hiddenclerk.core.conductors.Traced;
import org.hiddenclerk.core.conductors.Tracing;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.RegionProfile;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Three boxes, two change-over switches and an intermediate, 14 cores: a call without readings, the hardest. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class TraceBench {
    @Param({"cables", "singles"})
    private String cores;

    private Board board;

    @Setup
    public void build() {
        board = new Board(List.of(
                box("A", Mechanism.TWO_WAY, "COM", "L1", "L2", "joint:1", "joint:1"),
                box("C", Mechanism.INTERMEDIATE, "A1", "A2", "B1", "B2", "joint:1", "joint:1"),
                box("B", Mechanism.TWO_WAY, "COM", "L1", "L2")));
        if (Tracing.of(board, RegionProfile.EU_230, List.of()).possible().size() < 4) {
            throw new IllegalStateException("Impossible state: the board must be worth tracing.");
        }
    }

    private OpenedBox box(String id, Mechanism mechanism, String... ends) {
        List<SeenCore> seen = new java.util.ArrayList<>();
        for (int i = 0; i < ends.length; i++) {
            String cable = cores.equals("singles") ? "single " + i : cableOf(id, ends[i], i);
            seen.add(new SeenCore(id + i, cable, "brown", Termination.read(ends[i])));
        }
        return new OpenedBox(id, Optional.of(mechanism), false, seen);
    }

    /** Feed and lamp are at A in cables of their own; four-core cables from A to C and from C to B. */
    private static String cableOf(String box, String end, int number) {
        boolean towardsB = end.startsWith("B") || box.equals("C") && number == 5;
        boolean ownCable = box.equals("A") && (number == 0 || number == 4);
        return ownCable ? "c" + (3 + number) : towardsB ? "c2" : "c1";
    }

    @Benchmark
    public Traced trace() {
        return Tracing.of(board, RegionProfile.EU_230, List.of());
    }
}
