package org.hiddenclerk.core.wiring.run;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.TruthTable;

/** Which switches command which loads through the inputs of modules, as the truth table of a wiring shows it. */
public final class Commands {
    private Commands() {}

    public static Map<PartId, Set<PartId>> of(Wiring wiring, TruthTable table) {
        Map<PartId, Set<PartId>> commands = new LinkedHashMap<>();
        wiring.parts().forEach(part -> inputs(part).stream()
                .filter(input -> input.hasContact() && input.channel().isPresent())
                .forEach(input -> {
                    List<PartId> switches = table.readBy(part.id(), input.id());
                    table.loadsOf(
                                    input.target().orElse(part.id()),
                                    input.channel().get())
                            .forEach(load -> commands.computeIfAbsent(load, l -> new LinkedHashSet<>())
                                    .addAll(switches));
                }));
        return commands;
    }

    /** Loads that some channel of some module switches. */
    public static Set<PartId> switched(Wiring wiring, TruthTable table) {
        Set<PartId> switched = new LinkedHashSet<>();
        wiring.parts().forEach(part -> {
            if (part instanceof Part.FittedModule module) {
                module.channels().forEach(channel -> switched.addAll(table.loadsOf(module.id(), channel.id())));
            }
        });
        return switched;
    }

    private static List<Input> inputs(Part part) {
        return part instanceof Part.FittedModule module
                ? module.inputs()
                : part instanceof Part.Sender sender ? sender.inputs() : List.of();
    }
}
