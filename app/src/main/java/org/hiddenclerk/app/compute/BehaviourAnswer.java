package org.hiddenclerk.app.compute;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.TreeMap;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.behaviour.Cause;
import org.hiddenclerk.core.behaviour.Contact;
import org.hiddenclerk.core.behaviour.Cost;
import org.hiddenclerk.core.behaviour.Machine;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.behaviour.Output;
import org.hiddenclerk.core.behaviour.State;
import org.jspecify.annotations.Nullable;

/** The answer of a behaviour as JSON. */
record BehaviourAnswer(List<ChangeView> trace, List<ReportView> reports, EndView end, CostView cost) {

    /** A relay as JSON. */
    enum OnOff {
        ON,
        OFF;

        static OnOff of(boolean on) {
            return on ? ON : OFF;
        }
    }

    /** A change of the relay, or of the motion. */
    record ChangeView(long atMs, @MayBeAbsent OnOff relay, @MayBeAbsent Motion motion, Cause cause) {}

    record ReportView(long atMs, Output.Report report) {}

    record EndView(
            @MayBeAbsent Contact contact,
            @MayBeAbsent Map<String, Contact> contacts,
            @MayBeAbsent OnOff relay,
            @MayBeAbsent Motion motion) {}

    /** Hand actions; null where it cannot be done. */
    record CostView(
            @JsonInclude(JsonInclude.Include.ALWAYS) @Nullable Integer handAfterRemote,
            @JsonInclude(JsonInclude.Include.ALWAYS) @Nullable Integer remoteAfterHand) {}

    static BehaviourAnswer of(Machine machine, Machine.Step end) {
        Cost cost = Cost.of(machine, end.state());
        return new BehaviourAnswer(
                end.outputs().stream()
                        .filter(output -> !(output instanceof Output.Told))
                        .map(BehaviourAnswer::change)
                        .toList(),
                end.outputs().stream()
                        .filter(Output.Told.class::isInstance)
                        .map(output -> new ReportView(output.atMs(), ((Output.Told) output).report()))
                        .toList(),
                end(machine, end.state()),
                new CostView(orNull(cost.handAfterRemote()), orNull(cost.remoteAfterHand())));
    }

    private static ChangeView change(Output output) {
        if (output instanceof Output.Relay relay) {
            return new ChangeView(relay.atMs(), OnOff.of(relay.on()), null, relay.cause());
        }
        Output.Moves moves = (Output.Moves) output;
        return new ChangeView(moves.atMs(), null, moves.motion(), moves.cause());
    }

    private static EndView end(Machine machine, State state) {
        return machine.inputs() == 2
                ? new EndView(
                        null,
                        new TreeMap<>(Map.of(
                                "1",
                                state.contacts().get(0),
                                "2",
                                state.contacts().get(1))),
                        null,
                        state.motion())
                : new EndView(state.contacts().get(0), null, OnOff.of(state.relay()), null);
    }

    private static @Nullable Integer orNull(OptionalInt number) {
        return number.isPresent() ? number.getAsInt() : null;
    }
}
