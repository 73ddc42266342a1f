package org.hiddenclerk.bench;

import java.util.concurrent.TimeUnit;
import org.hiddenclerk.core.electrical.WiringCheck;
import org.hiddenclerk.core.electrical.part.Wiring;
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

/** Growth with the states of one region: a lamp with more and more switches, beside a graph library's connectivity. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class StatesBench {
    @Param({"2", "4", "6", "8", "10", "12"})
    private int switches;

    private Wiring wiring;

    @Setup
    public void build() {
        wiring = House.chain(switches);
    }

    @Benchmark
    public int fullCheck() {
        return WiringCheck.of(wiring).findings().size();
    }

    @Benchmark
    public int connectivityOnlyByGraphLibrary() {
        return GraphLibrary.componentsInAllStates(wiring);
    }
}
