package org.hiddenclerk.core.wiring.routing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.jspecify.annotations.Nullable;

/**
 * Turns "these cores and terminals belong together" into terminals, jumpers and connectors a hand can make.
 *
 * <p>A connector that already holds the cores is kept and grows. Otherwise, if some terminal holds all that must meet
 * there, the cores go on it and short jumpers run from terminal to terminal. Otherwise a new connector is put in.
 * Surveyed jumpers that still join two terminals of one net are used again.
 */
public final class Netting {
    /** Conductors that a mechanism's terminal holds; common practice, no source. */
    public static final int MECHANISM_TERMINAL_TAKES = 2;

    private static final int LOAD_TERMINAL_TAKES = 2;

    private final BoxWiring surveyed;
    private final Map<Integer, ModuleModel> modules;
    private final Map<String, End> ends;
    private final List<Jumper> jumpers = new ArrayList<>();
    private final Set<String> kept = new LinkedHashSet<>();
    /** Connectors that a net has already: two nets never share one. */
    private final Set<End> claimed = new LinkedHashSet<>();

    private int nextJumper = 1;

    Netting(BoxWiring surveyed, Map<Integer, ModuleModel> modules) {
        this.surveyed = surveyed;
        this.modules = modules;
        this.ends = new LinkedHashMap<>(surveyed.ends());
    }

    /**
     * Joins cores and terminals.
     *
     * @param name      what the net is called, for a new connector
     * @param colour    colour of new jumpers
     * @param cores     cores of the net
     * @param terminals terminals of the net; the first holds the cores if it can
     */
    void join(String name, CoreColour colour, List<Box.CableCore> cores, List<? extends End> terminals) {
        if (terminals.isEmpty()) {
            if (cores.size() == 1) {
                cap(cores.get(0));
                return;
            }
            End connector = existingConnector(cores);
            End meeting = connector == null ? newConnector(name) : connector;
            cores.forEach(core -> ends.put(core.key(), meeting));
            return;
        }
        End hub = terminals.get(0);
        End connector = existingConnector(cores);
        List<End> others = new ArrayList<>(terminals);
        others.remove(hub);
        List<End> roomy = others.stream().filter(end -> takes(end) > 1).toList();
        List<End> single = others.stream().filter(end -> takes(end) == 1).toList();
        int atHub = cores.size() + (others.isEmpty() ? 0 : 1);
        if (connector == null && atHub <= takes(hub) && single.size() <= 1) {
            cores.forEach(core -> ends.put(core.key(), hub));
            chain(hub, concatenated(roomy, single), colour);
            return;
        }
        End meeting = connector == null ? newConnector(name) : connector;
        cores.forEach(core -> ends.put(core.key(), meeting));
        addJumper(meeting, hub, colour);
        single.forEach(end -> addJumper(meeting, end, colour));
        List<End> direct = roomy.stream()
                .filter(end -> surveyedJumper(meeting, end) != null)
                .toList();
        direct.forEach(end -> addJumper(meeting, end, colour));
        List<End> chained = roomy.stream().filter(end -> !direct.contains(end)).toList();
        if (!chained.isEmpty()) {
            chain(direct.isEmpty() ? meeting : direct.get(direct.size() - 1), chained, colour);
        }
    }

    private static List<End> concatenated(List<End> first, List<End> second) {
        List<End> all = new ArrayList<>(first);
        all.addAll(second);
        return all;
    }

    private void chain(End first, List<End> rest, CoreColour colour) {
        End last = first;
        for (End next : rest) {
            addJumper(last, next, colour);
            last = next;
        }
    }

    /** A connector that already holds every core of the net, when there is more than one. */
    private @Nullable End existingConnector(List<Box.CableCore> cores) {
        Set<End> places = new LinkedHashSet<>();
        cores.forEach(core -> places.add(surveyed.endOf(core)));
        if (places.size() == 1
                && places.iterator().next() instanceof End.InConnector connector
                && claimed.add(connector)) {
            return connector;
        }
        return null;
    }

    private End newConnector(String name) {
        End connector = new End.InConnector(name);
        for (int i = 2; surveyed.places().contains(connector) || !claimed.add(connector); i++) {
            connector = new End.InConnector(name + " " + i);
        }
        return connector;
    }

    /** Leaves a net at this place as it was found, with its connectors. */
    void leave(List<Box.CableCore> cores) {
        cores.forEach(core -> claimed.add(surveyed.endOf(core)));
    }

    /** Puts one piece of wire between two terminals that stay as they are otherwise. */
    void bridge(End one, End other, CoreColour colour) {
        addJumper(one, other, colour);
    }

    private int takes(End terminal) {
        if (terminal instanceof End.AtModule module) {
            ModuleModel model = modules.get(module.module());
            return model == null
                    ? surveyed.takes(module)
                    : model.terminal(module.terminal()).takes();
        }
        return terminal instanceof End.AtLoad ? LOAD_TERMINAL_TAKES : MECHANISM_TERMINAL_TAKES;
    }

    private void addJumper(End from, End to, CoreColour colour) {
        Jumper found = surveyedJumper(from, to);
        if (found != null && kept.add(found.key())) {
            jumpers.add(found);
        } else {
            jumpers.add(new Jumper(newKey(), colour, from, to));
        }
    }

    private String newKey() {
        String key = "w" + nextJumper++;
        while (isSurveyedKey(key)) {
            key = "w" + nextJumper++;
        }
        return key;
    }

    private boolean isSurveyedKey(String key) {
        return surveyed.jumpers().stream().anyMatch(jumper -> jumper.key().equals(key));
    }

    private @Nullable Jumper surveyedJumper(End from, End to) {
        for (Jumper found : surveyed.jumpers()) {
            if (found.from().equals(from) && found.to().equals(to)
                    || found.from().equals(to) && found.to().equals(from)) {
                return found;
            }
        }
        return null;
    }

    /** Insulates a core on its own. */
    void cap(Box.CableCore core) {
        ends.put(core.key(), new End.Capped());
    }

    /** Keeps a surveyed jumper as it is. */
    void keep(Jumper jumper) {
        if (kept.add(jumper.key())) {
            jumpers.add(jumper);
        }
    }

    Map<String, End> ends() {
        return ends;
    }

    List<Jumper> jumpers() {
        return jumpers;
    }
}
