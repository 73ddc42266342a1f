package org.hiddenclerk.standins.wire;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.Locale;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.joining.Answer;
import org.hiddenclerk.core.joining.GatewayEvent;
import org.hiddenclerk.core.joining.Order;
import tools.jackson.databind.json.JsonMapper;

/** JSON of orders, answers and what is heard, and the topics on which they travel. */
public final class Wire {
    private static final JsonMapper JSON = JsonMapper.builder()
            .addMixIn(Order.class, Orders.class)
            .addMixIn(Answer.class, Answers.class)
            .addMixIn(GatewayEvent.class, Tellings.class)
            .changeDefaultPropertyInclusion(old -> old.withValueInclusion(JsonInclude.Include.NON_ABSENT))
            .build();

    private Wire() {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "order")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Order.OpenWindow.class, name = "open-window"),
        @JsonSubTypes.Type(value = Order.CloseWindow.class, name = "close-window"),
        @JsonSubTypes.Type(value = Order.Inventory.class, name = "inventory"),
        @JsonSubTypes.Type(value = Order.Look.class, name = "look"),
        @JsonSubTypes.Type(value = Order.Switch.class, name = "switch"),
        @JsonSubTypes.Type(value = Order.Rename.class, name = "rename"),
        @JsonSubTypes.Type(value = Order.Write.class, name = "write"),
        @JsonSubTypes.Type(value = Order.ReadSettings.class, name = "read-settings"),
        @JsonSubTypes.Type(value = Order.BeginFile.class, name = "begin-file"),
        @JsonSubTypes.Type(value = Order.FilePart.class, name = "file-part"),
        @JsonSubTypes.Type(value = Order.EndFile.class, name = "end-file"),
        @JsonSubTypes.Type(value = Order.Forget.class, name = "forget")
    })
    private interface Orders {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "answer")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Answer.Done.class, name = "done"),
        @JsonSubTypes.Type(value = Answer.Members.class, name = "members"),
        @JsonSubTypes.Type(value = Answer.Settings.class, name = "settings"),
        @JsonSubTypes.Type(value = Answer.Refused.class, name = "refused")
    })
    private interface Answers {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "heard")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = GatewayEvent.WindowOpened.class, name = "window-opened"),
        @JsonSubTypes.Type(value = GatewayEvent.WindowClosed.class, name = "window-closed"),
        @JsonSubTypes.Type(value = GatewayEvent.CameIn.class, name = "came-in"),
        @JsonSubTypes.Type(value = GatewayEvent.TurnedAway.class, name = "turned-away"),
        @JsonSubTypes.Type(value = GatewayEvent.Flipped.class, name = "flipped"),
        @JsonSubTypes.Type(value = GatewayEvent.Changed.class, name = "changed")
    })
    private interface Tellings {}

    /**
     * An order on its way.
     *
     * @param id    the same when it is sent again
     * @param asker whose answers go to a topic of its own
     */
    public record Asked(String id, String asker, Order order) {}

    public record Answered(String id, Answer answer) {}

    /** @throws tools.jackson.core.JacksonException for what is no message of this kind */
    public static <T> T read(byte[] json, Class<T> kind) {
        return JSON.readValue(json, kind);
    }

    public static byte[] write(Object message) {
        return JSON.writeValueAsBytes(message);
    }

    /** Where orders for a protocol go. */
    public static String orders(String root, Protocol protocol) {
        return root + "/" + level(protocol) + "/orders";
    }

    public static String answers(String root, Protocol protocol, String asker) {
        return root + "/" + level(protocol) + "/answers/" + asker;
    }

    public static String heard(String root, Protocol protocol) {
        return root + "/" + level(protocol) + "/heard";
    }

    private static String level(Protocol protocol) {
        return protocol.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
