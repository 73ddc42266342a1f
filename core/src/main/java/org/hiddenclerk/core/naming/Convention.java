package org.hiddenclerk.core.naming;

import java.text.Normalizer;
import java.util.List;
import java.util.Locale;
import org.hiddenclerk.core.identity.DeviceId;

/**
 * How the devices of a job are named: tokens in an order.
 *
 * @param tokens at least one
 */
public record Convention(List<Token> tokens) {
    /** The usual one. */
    public static final Convention USUAL = new Convention(List.of(Token.ROOM, Token.WHAT));

    /** What a name is built from. */
    public enum Token {
        STOREY("storey"),
        ROOM("room"),
        BOX("box"),
        WHAT("what it switches"),
        CHANNEL("channel"),
        KIND("kind of module");

        private final String words;

        Token(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public Convention {
        tokens = List.copyOf(tokens);
        if (tokens.isEmpty()) {
            throw new IllegalArgumentException("A convention needs at least one token.");
        }
    }

    /**
     * A device to be named.
     *
     * @param what    what it switches, in words; may be empty
     * @param channel 0 where the whole module is meant
     */
    public record Place(DeviceId id, String storey, String room, String box, String what, int channel, String kind) {
        private String value(Token token) {
            return switch (token) {
                case STOREY -> storey;
                case ROOM -> room;
                case BOX -> box;
                case WHAT -> what.isBlank() ? box : what;
                case CHANNEL -> channel == 0 ? "" : String.valueOf(channel);
                case KIND -> kind;
            };
        }
    }

    /**
     * The name of a place; for {@code number} from 2 on with that number behind it. A name that is too long is cut behind a word where
     * it has several, and never in the number.
     */
    DeviceName name(Place place, int number) {
        StringBuilder words = new StringBuilder();
        for (Token token : tokens) {
            String value = clean(place.value(token));
            if (!value.isEmpty()) {
                append(words, value);
            }
        }
        String plain =
                !words.isEmpty() ? words.toString() : clean(place.box()).isEmpty() ? "device" : clean(place.box());
        String suffix = number < 2 ? "" : " " + number;
        String display = cut(plain, DeviceName.DISPLAY_CHARACTERS - suffix.length(), ' ') + suffix;
        String tail = number < 2 ? "" : "-" + number;
        String handle = handleOf(plain);
        return new DeviceName(
                display,
                cut(handle.isEmpty() ? "device" : handle, DeviceName.HANDLE_CHARACTERS - tail.length(), '-') + tail);
    }

    /** Words that stand at the end already are not said again: "Glass passage" and "passage bank" make "Glass passage bank". */
    private static void append(StringBuilder words, String value) {
        String said = (" " + words + " ").toLowerCase(Locale.ROOT);
        String begin = value;
        while (!begin.isEmpty() && !said.endsWith(" " + begin.toLowerCase(Locale.ROOT) + " ")) {
            begin = begin.contains(" ") ? begin.substring(0, begin.lastIndexOf(' ')) : "";
        }
        String rest = value.substring(begin.length()).strip();
        words.append(words.isEmpty() || rest.isEmpty() ? "" : " ").append(words.isEmpty() ? value : rest);
    }

    private static String clean(String text) {
        return text.replaceAll("[\\p{Cntrl}\\p{Cs}/+#]", " ")
                .replaceAll("\\s+", " ")
                .strip();
    }

    private static String cut(String text, int most, char between) {
        if (text.length() <= most) {
            return text;
        }
        int end = text.lastIndexOf(between, most);
        String cut = text.substring(0, end > most / 2 ? end : most);
        return cut.replaceAll("[\\s-]+$", "");
    }

    /** Letters without their marks; what no letter stands for is left out. */
    static String handleOf(String text) {
        String plain = Normalizer.normalize(
                        text.replace("ß", "ss")
                                .replace("æ", "ae")
                                .replace("Æ", "ae")
                                .replace("ø", "o")
                                .replace("Ø", "o")
                                .replace("ł", "l")
                                .replace("Ł", "l")
                                .replace("đ", "d")
                                .replace("ð", "d")
                                .replace("þ", "th"),
                        Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT);
        return plain.replaceAll("[^a-z0-9]+", "-").replaceAll("^-+|-+$", "");
    }
}
