package org.hiddenclerk.bench;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.jgrapht.Graph;
import org.jgrapht.alg.connectivity.ConnectivityInspector;
import org.jgrapht.graph.DefaultEdge;
import org.jgrapht.graph.Multigraph;

/** JGraphT's connected components of a wiring in each of its states: a part of what a check does. */
final class GraphLibrary {
    private GraphLibrary() {}

    static int componentsInAllStates(Wiring wiring) {
        List<Part> movable = new ArrayList<>();
        List<String[]> channels = new ArrayList<>();
        for (Part part : wiring.parts()) {
            if (part instanceof Part.Switch mechanism && mechanism.mechanism().isTwoState()) {
                movable.add(part);
            } else if (part instanceof Part.FittedModule module) {
                module.channels()
                        .forEach(channel -> channels.add(new String[] {
                            module.pins().get(channel.from()).value(),
                            module.pins().get(channel.to()).value()
                        }));
            }
        }
        int elements = movable.size() + channels.size();
        int components = 0;
        for (int state = 0; state < 1 << elements; state++) {
            Graph<String, DefaultEdge> graph = fixed(wiring);
            for (int i = 0; i < movable.size(); i++) {
                Part.Switch mechanism = (Part.Switch) movable.get(i);
                for (Mechanism.Contact contact : mechanism.mechanism().contacts(state >> i & 1)) {
                    graph.addEdge(
                            mechanism.pins().get(contact.from()).value(),
                            mechanism.pins().get(contact.to()).value());
                }
            }
            for (int i = 0; i < channels.size(); i++) {
                if ((state >> movable.size() + i & 1) == 1) {
                    graph.addEdge(channels.get(i)[0], channels.get(i)[1]);
                }
            }
            components += new ConnectivityInspector<>(graph).connectedSets().size();
        }
        return components;
    }

    private static Graph<String, DefaultEdge> fixed(Wiring wiring) {
        Graph<String, DefaultEdge> graph = new Multigraph<>(DefaultEdge.class);
        wiring.parts().forEach(part -> part.pins().values().forEach(node -> graph.addVertex(node.value())));
        for (Part part : wiring.parts()) {
            if (part instanceof Part.Conductor || part instanceof Part.Link) {
                graph.addEdge(part.pins().get("a").value(), part.pins().get("b").value());
            }
        }
        return graph;
    }
}
