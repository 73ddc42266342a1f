package org.hiddenclerk.core.planned;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.hiddenclerk.core.joining.Settings;

/**
 * What modules are told so that the links of a plan are there: a module that can command another by itself is set to do so; what it
 * can't is carried by the hub.
 */
public final class PlannedBindings {
    private final PlannedHouse house;

    public PlannedBindings(PlannedHouse house) {
        this.house = house;
    }

    /** How far a link is. */
    public enum State {
        /** The module read it back. */
        BOUND,
        /** Both are in, and it is not set yet or was not kept. */
        NOT_BOUND,
        /** One of the two is not in. */
        WAITS,
        /** No device is told: the hub does it. */
        HUB
    }

    /**
     * A module that is in its network.
     *
     * @param read what it was read to be set to; empty while it was not set up
     */
    public record In(String address, Optional<Map<String, String>> read) {}

    /** A link, and how far it is. */
    public record Standing(PlannedLink link, State state) {}

    /** What a module is to be set to for its links to devices whose address is known, by key of {@link Settings}. */
    public Map<String, String> settings(PlannedId.Module module, Map<PlannedId.Module, String> addresses) {
        Map<String, String> settings = new TreeMap<>();
        house.links().stream()
                .filter(link -> link.way().isDirect() && link.input().module().equals(module))
                .forEach(link -> Optional.ofNullable(addresses.get(link.output().module()))
                        .ifPresent(address -> settings.put(key(link), value(link, address))));
        return settings;
    }

    /** Modules that command a channel of another one by themselves, and have to be told when that comes in. */
    public List<PlannedId.Module> commanding(PlannedId.Module module) {
        return house.links().stream()
                .filter(link -> link.way().isDirect() && link.output().module().equals(module))
                .map(link -> link.input().module())
                .distinct()
                .toList();
    }

    public List<Standing> standings(Map<PlannedId.Module, In> in) {
        return house.links().stream()
                .map(link -> new Standing(link, state(link, in)))
                .toList();
    }

    private State state(PlannedLink link, Map<PlannedId.Module, In> in) {
        In from = in.get(link.input().module());
        In to = in.get(link.output().module());
        if (from == null || to == null) {
            return State.WAITS;
        }
        if (!link.way().isDirect()) {
            return State.HUB;
        }
        return from.read()
                        .filter(read -> value(link, to.address()).equals(read.get(key(link))))
                        .isPresent()
                ? State.BOUND
                : State.NOT_BOUND;
    }

    private String key(PlannedLink link) {
        return Settings.commands(numberOf(link.input().module(), link.input().input(), true));
    }

    private String value(PlannedLink link, String address) {
        return new Settings.Commanded(
                        address, numberOf(link.output().module(), link.output().channel(), false))
                .text();
    }

    /** Number of an input or a channel of its module, from 1. */
    private int numberOf(PlannedId.Module id, String part, boolean input) {
        PlannedModule module = house.module(id).orElseThrow();
        int count = input
                ? module.model().inputs().size()
                : module.model().channels().size();
        return 1
                + IntStream.range(0, count)
                        .filter(i -> part.equals(
                                input
                                        ? module.model().inputs().get(i).id()
                                        : module.model().channels().get(i).id()))
                        .findFirst()
                        .orElseThrow();
    }
}
