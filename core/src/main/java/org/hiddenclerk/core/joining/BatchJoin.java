package org.hiddenclerk.core.joining;

import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.hiddenclerk.core.finding.Finding;

/**
 * Lets many modules in whose codes are known beforehand, names them, sets them and reads all of it back. A window is opened for a
 * few at a time, so that those that others are reached through are in before the others search.
 */
public final class BatchJoin {
    private static final int AT_ONCE = 12;
    private static final int WINDOWS = 2;
    private static final Duration GLANCE = Duration.ofSeconds(5);

    private final Gateway gateway;
    private final World world;
    private final Map<String, Member> heard = new ConcurrentHashMap<>();
    private final Map<String, String> turnedAway = new ConcurrentHashMap<>();

    /** @param gateway is listened to from now on */
    public BatchJoin(Gateway gateway, World world) {
        this.gateway = gateway;
        this.world = world;
        gateway.listen(each -> {
            if (each instanceof GatewayEvent.CameIn in) {
                heard.put(in.member().address(), in.member());
            } else if (each instanceof GatewayEvent.TurnedAway away) {
                turnedAway.put(away.code(), away.reason());
            }
        });
    }

    /**
     * A module that is waited for.
     *
     * @param id      in words, for whoever reads what was found
     * @param name    that it gets
     * @param address read off it; by it alone it is known when it comes in
     */
    public record Expected(String id, String address, String code, String name, Map<String, String> settings) {}

    /** What lies outside: time, and whoever looks on. */
    public interface World {
        void pass(Duration time);

        /** Lets a module search: presses its button, or asks somebody to. */
        void search(Expected module);

        void cameIn(Expected module, Member member);
    }

    /**
     * What came of it.
     *
     * @param in address by module
     */
    public record Outcome(Map<String, String> in, List<Finding> findings) {}

    /** @param modules in the order in which they are to come in */
    public Outcome run(List<Expected> modules) {
        Map<String, String> in = new LinkedHashMap<>();
        List<Finding> findings = new ArrayList<>();
        for (int at = 0; at < modules.size(); at += AT_ONCE) {
            List<Expected> some = modules.subList(at, Math.min(modules.size(), at + AT_ONCE));
            for (int window = 0; window < WINDOWS && !missing(some, in).isEmpty(); window++) {
                open(missing(some, in));
                wait(some, in);
            }
            gateway.ask(new Order.CloseWindow());
            missing(some, in)
                    .forEach(module -> findings.add(JoinFindings.notIn(
                            module.id(), WINDOWS, Optional.ofNullable(turnedAway.get(module.code())))));
            some.stream()
                    .filter(module -> in.containsKey(module.id()))
                    .forEach(module -> findings.addAll(JoinFindings.setUp(
                            gateway, in.get(module.id()), module.id(), module.name(), module.settings())));
        }
        Optional<Answer> all = gateway.ask(new Order.Inventory());
        if (all.isPresent() && all.get() instanceof Answer.Members members) {
            Map<String, String> known = new LinkedHashMap<>();
            modules.stream()
                    .filter(module -> in.containsKey(module.id()))
                    .forEach(module -> known.put(module.name(), in.get(module.id())));
            findings.addAll(JoinFindings.ofInventory(InventoryComparison.of(known, members.members())));
        }
        return new Outcome(in, findings);
    }

    private static List<Expected> missing(List<Expected> some, Map<String, String> in) {
        return some.stream().filter(module -> !in.containsKey(module.id())).toList();
    }

    private void open(List<Expected> missing) {
        missing.forEach(module -> {
            gateway.ask(new Order.OpenWindow(Window.of(gateway.protocol()).usual(), Optional.of(module.code())))
                    .ifPresent(answer -> {
                        if (answer instanceof Answer.Refused refused) {
                            turnedAway.put(module.code(), refused.reason());
                        }
                    });
            world.search(module);
        });
    }

    private void wait(List<Expected> some, Map<String, String> in) {
        Duration left = Duration.ofSeconds(Window.of(gateway.protocol()).usual());
        while (!left.isNegative() && !missing(some, in).isEmpty()) {
            world.pass(GLANCE);
            left = left.minus(GLANCE);
            for (Expected module : missing(some, in)) {
                Member member = heard.get(module.address());
                if (member != null) {
                    in.put(module.id(), member.address());
                    world.cameIn(module, member);
                }
            }
        }
    }
}
