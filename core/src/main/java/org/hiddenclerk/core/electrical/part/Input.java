package org.hiddenclerk.core.electrical.part;

import java.util.List;
import java.util.Optional;
import org.hiddenclerk.core.behaviour.InputBehaviour;

/**
 * One switch input.
 *
 * @param id         name within the module or sender
 * @param pins       one pin compared with {@code activeWith}, two pins of a pair contact, or none for SUPPLY_BLINK
 * @param activeWith pin whose potential makes a single-pin input active
 * @param potential  what the input stands on
 * @param behaviour  what its changes do
 * @param channel    channel it commands, if any
 * @param target     module whose channel it commands by radio; its own when absent
 * @param commonWith supply pin of its own module that one pin of a pair contact is joined to inside
 */
public record Input(
        String id,
        List<String> pins,
        Optional<String> activeWith,
        Potential potential,
        InputBehaviour behaviour,
        Optional<String> channel,
        Optional<PartId> target,
        Optional<String> commonWith) {
    public Input {
        pins = List.copyOf(pins);
    }

    public Input(
            String id,
            List<String> pins,
            Optional<String> activeWith,
            Potential potential,
            InputBehaviour behaviour,
            Optional<String> channel,
            Optional<PartId> target) {
        this(id, pins, activeWith, potential, behaviour, channel, target, Optional.empty());
    }

    /** What an input stands on. */
    public enum Potential {
        MAINS,
        ELV
    }

    public static Input single(
            String id, String pin, String activeWith, Potential potential, InputBehaviour behaviour, String channel) {
        return new Input(
                id,
                List.of(pin),
                Optional.of(activeWith),
                potential,
                behaviour,
                Optional.of(channel),
                Optional.empty());
    }

    public static Input pair(
            String id, String first, String second, Potential potential, InputBehaviour behaviour, String channel) {
        return new Input(
                id,
                List.of(first, second),
                Optional.empty(),
                potential,
                behaviour,
                Optional.of(channel),
                Optional.empty());
    }

    /** An input that is read at a contact, and therefore listed in the truth table. */
    public boolean hasContact() {
        return !pins.isEmpty();
    }
}
