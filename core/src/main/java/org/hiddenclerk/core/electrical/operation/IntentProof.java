package org.hiddenclerk.core.electrical.operation;

import static org.hiddenclerk.core.finding.FindingCode.REMOTE_WITHOUT_EFFECT;
import static org.hiddenclerk.core.finding.FindingCode.SWITCH_WITHOUT_EFFECT;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Intent;
import org.hiddenclerk.core.electrical.part.LoadState;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.solving.Netlist;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.RegionTable;
import org.hiddenclerk.core.electrical.solving.Sets;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;

/**
 * Proves what the people want of the loads: from every state that hands and remote commands can reach, each listed
 * control changes its load, and so does a remote command. States are explored breadth first, so a counter-example is
 * the shortest.
 *
 * <p>Regions that command each other by radio are explored together; {@link Steps} moves from state to state.
 */
public final class IntentProof {
    private final List<RegionTable> tables;
    private final Steps steps;
    private final List<Intent> intents;
    private final List<Finding> findings = new ArrayList<>();
    private final Map<Integer, Step> reached = new LinkedHashMap<>();

    /** How a state was first reached. */
    private record Step(int from, String action) {}

    private IntentProof(List<RegionTable> tables, List<Intent> intents) {
        this.tables = tables;
        this.intents = intents;
        steps = new Steps(tables);
    }

    /** Regions grouped by the radio commands between them. */
    public static List<List<Region>> clusters(Netlist netlist) {
        List<Region> regions = netlist.regions();
        Map<PartId, Integer> regionOf = new HashMap<>();
        for (int r = 0; r < regions.size(); r++) {
            for (Region.Device device : regions.get(r).devices()) {
                regionOf.put(device.part().id(), r);
            }
        }
        Sets sets = new Sets(regions.size());
        for (int r = 0; r < regions.size(); r++) {
            for (Region.Device device : regions.get(r).devices()) {
                for (Input input : device.inputs()) {
                    Integer other = input.target().map(regionOf::get).orElse(r);
                    if (other != null) {
                        sets.join(r, other);
                    }
                }
            }
        }
        Map<Integer, List<Region>> grouped = new LinkedHashMap<>();
        for (int r = 0; r < regions.size(); r++) {
            grouped.computeIfAbsent(sets.find(r), s -> new ArrayList<>()).add(regions.get(r));
        }
        return List.copyOf(grouped.values());
    }

    /** Findings of one cluster of regions; none of their rows may be shorted. */
    public static List<Finding> check(List<RegionTable> tables, List<Intent> intents) {
        List<Intent> own = intents.stream()
                .filter(intent -> tables.stream().anyMatch(table -> resistorOf(table, intent.load()) >= 0))
                .toList();
        if (own.isEmpty()) {
            return List.of();
        }
        IntentProof proof = new IntentProof(tables, own);
        proof.explore();
        for (Intent intent : own) {
            proof.judge(intent);
        }
        return proof.findings;
    }

    private void explore() {
        Deque<Integer> open = new ArrayDeque<>();
        reached.put(0, new Step(-1, ""));
        open.add(0);
        List<Steps.Place> remoteChannels = channelsOfRemoteLoads();
        while (!open.isEmpty()) {
            int state = open.remove();
            for (int r = 0; r < tables.size(); r++) {
                Region region = tables.get(r).region();
                for (int e = 0; e < region.elements().length; e++) {
                    if (region.elements()[e].isSwitch()) {
                        visit(steps.operate(state, r, e), state, verb(region.elements()[e]), open);
                    }
                }
            }
            for (Steps.Place place : remoteChannels) {
                int next = steps.command(state, place);
                if (next != state && changesARemoteLoad(state, next)) {
                    Region region = tables.get(place.region()).region();
                    visit(
                            next,
                            state,
                            "remote command to "
                                    + name(region.elements()[place.element()]
                                            .part()
                                            .id()),
                            open);
                }
            }
        }
    }

    private void visit(int next, int from, String action, Deque<Integer> open) {
        if (!reached.containsKey(next)) {
            reached.put(next, new Step(from, action));
            open.add(next);
        }
    }

    private String verb(Region.Element element) {
        return (element.mechanism().isPush() ? "press " : "flip ")
                + name(element.part().id());
    }

    private String name(PartId part) {
        return tables.get(0).region().wiring().nameOf(part);
    }

    private List<Steps.Place> channelsOfRemoteLoads() {
        List<Steps.Place> places = new ArrayList<>();
        for (int r = 0; r < tables.size(); r++) {
            RegionTable table = tables.get(r);
            for (int e = 0; e < table.region().elements().length; e++) {
                if (!table.region().elements()[e].isSwitch()) {
                    for (Intent intent : intents) {
                        int load = resistorOf(table, intent.load());
                        if (intent.remote() && load >= 0 && canChange(table, e, load)) {
                            places.add(new Steps.Place(r, e));
                            break;
                        }
                    }
                }
            }
        }
        return places;
    }

    private static boolean canChange(RegionTable table, int element, int load) {
        for (int[] pair : table.usablePairs(element)) {
            if (isChange(table.loadState(pair[0], load), table.loadState(pair[1], load))) {
                return true;
            }
        }
        return false;
    }

    private boolean changesARemoteLoad(int before, int after) {
        for (Intent intent : intents) {
            if (intent.remote() && isChange(loadState(before, intent.load()), loadState(after, intent.load()))) {
                return true;
            }
        }
        return false;
    }

    /** From ON to OFF or back; DIM is neither. */
    private static boolean isChange(LoadState before, LoadState after) {
        return before.isLit() && after == LoadState.OFF || before == LoadState.OFF && after.isLit();
    }

    private static int resistorOf(RegionTable table, PartId load) {
        Region.Resistor[] resistors = table.region().resistors();
        for (int i = 0; i < resistors.length; i++) {
            if (resistors[i].kind() == Region.ResistorKind.LOAD
                    && resistors[i].part().id().equals(load)) {
                return i;
            }
        }
        return -1;
    }

    private LoadState loadState(int state, PartId load) {
        for (int r = 0; r < tables.size(); r++) {
            int resistor = resistorOf(tables.get(r), load);
            if (resistor >= 0) {
                return tables.get(r).loadState(steps.row(state, r), resistor);
            }
        }
        throw new IllegalStateException("Impossible state: load " + load + " is in no region of its cluster.");
    }

    private void judge(Intent intent) {
        for (PartId control : intent.controls()) {
            judgeControl(intent, control);
        }
        if (intent.remote()) {
            judgeRemote(intent);
        }
    }

    private void judgeControl(Intent intent, PartId control) {
        Optional<Steps.Place> place = switchNamed(control);
        if (place.isEmpty()) {
            report(
                    SWITCH_WITHOUT_EFFECT,
                    new Subject.Switch(control.value()),
                    Sentence.of("{0} is not connected to what feeds {1}.", name(control), name(intent.load())));
            return;
        }
        int allowed = intent.maxHandActions().orElse(intent.remote() && isReadByPosition(place.get()) ? 2 : 1);
        for (int state : reached.keySet()) {
            int next = state;
            boolean changed = false;
            for (int action = 0; action < allowed && !changed; action++) {
                next = steps.operate(next, place.get().region(), place.get().element());
                changed = isChange(loadState(state, intent.load()), loadState(next, intent.load()));
            }
            if (!changed) {
                String times = allowed == 1 ? "" : ", operated up to " + allowed + " times,";
                report(
                        SWITCH_WITHOUT_EFFECT,
                        new Subject.Switch(control.value()),
                        Sentence.of(
                                "{0}{1}{2} does nothing to {3}.",
                                story(state), name(control), times, name(intent.load())));
                return;
            }
        }
    }

    private void judgeRemote(Intent intent) {
        List<Steps.Place> places = new ArrayList<>();
        for (int r = 0; r < tables.size(); r++) {
            int load = resistorOf(tables.get(r), intent.load());
            Region.Element[] elements = tables.get(r).region().elements();
            for (int e = 0; load >= 0 && e < elements.length; e++) {
                if (!elements[e].isSwitch() && canChange(tables.get(r), e, load)) {
                    places.add(new Steps.Place(r, e));
                }
            }
        }
        boolean judged = false;
        for (int state : reached.keySet()) {
            List<Steps.Place> powered = places.stream()
                    .filter(place -> steps.isPowered(state, place))
                    .toList();
            if (!powered.isEmpty()) {
                judged = true;
                boolean changes = powered.stream()
                        .anyMatch(place -> isChange(
                                loadState(state, intent.load()),
                                loadState(steps.command(state, place), intent.load())));
                if (!changes) {
                    report(
                            REMOTE_WITHOUT_EFFECT,
                            new Subject.Load(intent.load().value()),
                            Sentence.of("{0}a remote command does nothing to {1}.", story(state), name(intent.load())));
                    return;
                }
            }
        }
        if (!judged) {
            report(
                    REMOTE_WITHOUT_EFFECT,
                    new Subject.Load(intent.load().value()),
                    Sentence.of(
                            "No powered module can change {0} from any state that can be reached.",
                            name(intent.load())));
        }
    }

    private Optional<Steps.Place> switchNamed(PartId id) {
        for (int r = 0; r < tables.size(); r++) {
            Region.Element[] elements = tables.get(r).region().elements();
            for (int e = 0; e < elements.length; e++) {
                if (elements[e].isSwitch() && elements[e].part().id().equals(id)) {
                    return Optional.of(new Steps.Place(r, e));
                }
            }
        }
        return Optional.empty();
    }

    private boolean isReadByPosition(Steps.Place place) {
        RegionTable table = tables.get(place.region());
        BitSet byPosition = new BitSet();
        Region.InputPin[] inputs = table.region().inputPins();
        for (int i = 0; i < inputs.length; i++) {
            byPosition.set(i, inputs[i].input().behaviour().isLedByPosition());
        }
        return table.usablePairs(place.element()).stream().anyMatch(pair -> byPosition.stream()
                .anyMatch(i -> table.isActive(pair[0], i) != table.isActive(pair[1], i)));
    }

    /** The shortest way into a state, in words; empty for the first state. */
    private String story(int state) {
        Deque<String> actions = new ArrayDeque<>();
        for (int at = state; reached.get(at).from() >= 0; at = reached.get(at).from()) {
            actions.addFirst(reached.get(at).action());
        }
        return actions.isEmpty() ? "From the start, " : sentence(String.join(", ", actions)) + ", then ";
    }

    private static String sentence(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    private void report(FindingCode code, Subject subject, Sentence reason) {
        boolean known = findings.stream().anyMatch(f -> f.key().equals(new Finding.Key(code, subject)));
        if (!known) {
            findings.add(Finding.of(
                    code,
                    subject,
                    reason,
                    Source.COMPUTED,
                    new Remedy(Remedy.Kind.CHANGE_BEHAVIOUR, "choose another behaviour for the input"),
                    Remedy.rewire("check the way from the switch to the lamp")));
        }
    }
}
