package org.hiddenclerk.bench;

import java.util.List;
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

/** A whole house fully checked on one core, beside a graph library's connectivity of the same netlists in the same states. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class HouseBench {
    @Param({"50", "100", "200", "400"})
    private int positions;

    private List<Wiring> house;

    @Setup
    public void build() {
        house = House.of(positions);
    }

    @Benchmark
    public int fullCheck() {
        int findings = 0;
        for (Wiring wiring : house) {
            findings += WiringCheck.of(wiring).findings().size();
        }
        return findings;
    }

    @Benchmark
    public int connectivityOnlyByGraphLibrary() {
        int components = 0;
        for (Wiring wiring : house) {
            components += GraphLibrary.componentsInAllStates(wiring);
        }
        return components;
    }
}
