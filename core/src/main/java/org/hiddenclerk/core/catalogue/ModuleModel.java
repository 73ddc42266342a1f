package org.hiddenclerk.core.catalogue;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.quantity.Amps;

/**
 * One kind of module in the stock book.
 *
 * @param code        the maker's code, unique in the stock book
 * @param maker       who makes it
 * @param name        what it is, in words
 * @param supply      how it is powered
 * @param channels    its contacts, with what each may carry
 * @param inputs      its switch inputs; {@code behaviour} is what it comes with
 * @param behaviours  input behaviours that it can be set to
 * @param interlocked whether its channels lock each other out
 * @param totalAmps   what all channels together may carry, if stated
 * @param terminals   its terminals in their order along the module
 * @param body        its outside, where the size is stated
 * @param markets     markets with a stated approval
 * @param priceCents  price in hundredths of the job's currency, where it is known
 * @param blink       which breaks of its supply it counts, where that is stated
 * @param sheet       what else the maker states
 */
public record ModuleModel(
        String code,
        String maker,
        String name,
        Protocol protocol,
        Purpose purpose,
        ModuleSupply supply,
        List<Channel> channels,
        List<Input> inputs,
        Set<InputBehaviour> behaviours,
        boolean interlocked,
        Optional<Amps> totalAmps,
        List<Terminal> terminals,
        Optional<Body> body,
        Set<String> markets,
        boolean metering,
        boolean worksWithoutInternet,
        OptionalInt priceCents,
        Optional<BlinkTiming> blink,
        DataSheet sheet) {
    public ModuleModel {
        channels = List.copyOf(channels);
        inputs = List.copyOf(inputs);
        behaviours = Set.copyOf(behaviours);
        terminals = List.copyOf(terminals);
        markets = Set.copyOf(markets);
        if (inputs.size() < channels.size() && purpose != Purpose.RECEIVER) {
            throw new IllegalArgumentException("Module " + code + " must have an input for each of its "
                    + channels.size() + " channels, not " + inputs.size() + ".");
        }
    }

    public Terminal terminal(String terminal) {
        return terminals.stream()
                .filter(t -> t.name().equals(terminal))
                .findFirst()
                .orElseThrow(
                        () -> new IllegalArgumentException("Module " + code + " has no terminal " + terminal + "."));
    }

    /** The switch-side half of a split pair: no contact of its own. */
    public boolean isSender() {
        return purpose == Purpose.SENDER;
    }

    /** Whether others of its network may speak through it. */
    public boolean isRouter() {
        return sheet.meshRole()
                .filter(role -> role == DataSheet.MeshRole.PASSES_ON)
                .isPresent();
    }

    /** Contacts that take from the module's own live; a volt-free contact does not. */
    public boolean hasWetContacts() {
        return channels.stream().allMatch(channel -> channel.from().equals(supply.livePin()));
    }

    /** How it gets its power on a bench: its own supply, and nothing else. */
    public String powering() {
        String careful = ", behind a residual-current device; fingers off the terminals.";
        if (isSender()) {
            return "In the path of a lamp as it will be: live on " + supply.livePin() + ", the lamp behind "
                    + supply.returnPin() + careful;
        }
        if (supply instanceof ModuleSupply.TwoWire twoWire) {
            return "It lives on what flows through a lamp: live on " + twoWire.livePin() + ", and a lamp of at least "
                    + Math.max(1, Math.round(twoWire.minimumLoadWatts())) + "\u2009W between " + twoWire.returnPin()
                    + " and the neutral. Never live and neutral on its two terminals; behind a residual-current device, fingers off.";
        }
        if (supply instanceof ModuleSupply.DirectCurrent direct) {
            String most = direct.maxVolts().isPresent()
                    ? " to " + Math.round(direct.maxVolts().getAsDouble())
                    : "";
            return "From direct current of " + Math.round(direct.minVolts()) + most + "\u2009V: plus on "
                    + direct.livePin() + ", minus on " + direct.returnPin() + ". No mains comes near it.";
        }
        return "Live on " + supply.livePin() + " and neutral on " + supply.returnPin() + careful;
    }
}
