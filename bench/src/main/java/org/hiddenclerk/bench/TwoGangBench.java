package org.hiddenclerk.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.hiddenclerk.core.electrical.WiringCheck;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.TruthTable;
import org.jgrapht.Graph;
import org.jgrapht.alg.connectivity.ConnectivityInspector;
import org.jgrapht.graph.DefaultEdge;
import org.jgrapht.graph.Multigraph;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * The whole check of a two-gang box (16 states: nets, volts, currents, findings, intent, rows of the table) beside a
 * general-purpose graph library that does only a part of it: the connected components of the same netlist in the same
 * 16 states.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 6, time = 1)
@Fork(2)
public class TwoGangBench {
    private Wiring wiring;
    private List<String[]> always;
    private List<String[]> switched;

    @Setup
    public void plan() {
        wiring = TwoGangs.plan().wiring();
        always = new ArrayList<>();
        switched = new ArrayList<>();
        for (Part part : wiring.parts()) {
            if (part instanceof Part.Conductor || part instanceof Part.Link) {
                always.add(new String[] {
                    part.pins().get("a").value(), part.pins().get("b").value()
                });
            } else if (part instanceof Part.Switch mechanism) {
                switched.add(new String[] {
                    mechanism.pins().get("COM").value(),
                    mechanism.pins().get("L1").value()
                });
            } else if (part instanceof Part.FittedModule module) {
                module.channels()
                        .forEach(channel -> switched.add(new String[] {
                            module.pins().get(channel.from()).value(),
                            module.pins().get(channel.to()).value()
                        }));
            }
        }
    }

    @Benchmark
    public int fullCheck() {
        WiringCheck.Result result = WiringCheck.of(wiring);
        int lit = result.findings().size();
        for (TruthTable.Row row : result.truthTable()) {
            lit += row.loads().size();
        }
        return lit;
    }

    @Benchmark
    public int connectivityOnlyByGraphLibrary() {
        int components = 0;
        for (int state = 0; state < 1 << switched.size(); state++) {
            Graph<String, DefaultEdge> graph = new Multigraph<>(DefaultEdge.class);
            for (Part part : wiring.parts()) {
                part.pins().values().forEach(node -> graph.addVertex(node.value()));
            }
            always.forEach(edge -> graph.addEdge(edge[0], edge[1]));
            for (int i = 0; i < switched.size(); i++) {
                if ((state >> i & 1) == 1) {
                    graph.addEdge(switched.get(i)[0], switched.get(i)[1]);
                }
            }
            components += new ConnectivityInspector<>(graph).connectedSets().size();
        }
        return components;
    }
}
