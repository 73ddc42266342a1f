package org.hiddenclerk.core.job;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.quantity.Watts;

/**
 * Words that people have for what hangs on a circuit; common practice, no source.
 *
 * <p>Some words leave the kind open. Such a load is counted as the kind that asks more of a contact, and whoever types it is told.
 */
public final class LoadWords {
    /** Bulbs and spots of more than this are no LED lamps. */
    private static final Watts MOST_OF_AN_LED_BULB = Watts.of(25);

    private static final Map<String, Word> WORDS = words();

    private LoadWords() {}

    /**
     * A word.
     *
     * @param kind  what it means
     * @param large what it means above the watts of an LED bulb
     * @param said  whether the word leaves no doubt of the kind
     */
    record Word(LoadKind kind, LoadKind large, boolean said) {
        LoadKind kindAt(Watts each) {
            return each.compareTo(MOST_OF_AN_LED_BULB) > 0 ? large : kind;
        }
    }

    /** What a word or several mean, in the singular or not. */
    static Optional<Word> of(String words) {
        return Optional.ofNullable(WORDS.get(words)).or(() -> Optional.ofNullable(WORDS.get(singular(words))));
    }

    private static String singular(String words) {
        return Arrays.stream(words.split(" "))
                .map(word -> word.length() > 3 && word.endsWith("s") && !word.endsWith("ss")
                        ? word.substring(0, word.length() - 1)
                        : word)
                .collect(Collectors.joining(" "));
    }

    /** A word for each kind that says it without doubt. */
    static List<String> plainest() {
        return WORDS.entrySet().stream()
                .filter(word -> word.getValue().said())
                .collect(Collectors.toMap(
                        word -> word.getValue().kind(),
                        Map.Entry::getKey,
                        (first, other) -> first,
                        () -> new LinkedHashMap<>()))
                .values()
                .stream()
                .toList();
    }

    /** Every word, with the kind that it means at few watts. */
    public static Map<String, LoadKind> all() {
        Map<String, LoadKind> all = new LinkedHashMap<>();
        WORDS.forEach((word, means) -> all.put(word, means.kind()));
        return all;
    }

    private static Map<String, Word> words() {
        Map<String, Word> words = new LinkedHashMap<>();
        say(
                words,
                LoadKind.LED_LAMP,
                "led, led lamp, led bulb, led spot, led spotlight, led tube, led candle, led globe");
        say(
                words,
                LoadKind.LED_DRIVER,
                "led driver, driver, led panel, led downlight, led floodlight, led batten, led light, led ceiling light");
        say(words, LoadKind.INCANDESCENT, "incandescent, incandescent lamp, incandescent bulb, tungsten bulb");
        say(words, LoadKind.HALOGEN, "halogen, halogen lamp, halogen bulb, halogen spot, halogen floodlight");
        say(
                words,
                LoadKind.FLUORESCENT,
                "fluorescent, fluorescent tube, fluorescent lamp, fluorescent light, tube, tube light, strip light, "
                        + "energy saver, compact fluorescent, cfl");
        say(words, LoadKind.ELECTRONIC_TRANSFORMER, "electronic transformer");
        say(
                words,
                LoadKind.WIRE_WOUND_TRANSFORMER,
                "wire wound transformer, toroidal transformer, magnetic transformer, bell transformer");
        say(
                words,
                LoadKind.MOTOR,
                "fan, motor, ceiling fan, extractor fan, extractor, exhaust fan, bathroom fan, ventilator, cooker hood, "
                        + "pump, circulation pump, well pump, pool pump, compressor, air conditioner, air con, aircon, "
                        + "air conditioning, heat pump, dehumidifier, fridge, freezer");
        say(
                words,
                LoadKind.HEATER,
                "heater, water heater, immersion heater, panel heater, infrared heater, towel rail, underfloor heating, "
                        + "floor heating, electric radiator, oven, sauna");
        say(words, LoadKind.SOCKET, "socket, socket outlet, outlet, receptacle, power point");
        say(
                words,
                LoadKind.COIL,
                "coil, contactor, contactor coil, relay coil, valve, zone valve, solenoid valve, solenoid");
        say(
                words,
                LoadKind.BLIND_MOTOR,
                "blind, roller blind, venetian blind, blind motor, shutter, roller shutter, shutter motor, awning, curtain, "
                        + "roof window");
        say(words, LoadKind.ELV_STRIP, "strip, led strip, led tape, light strip");
        say(
                words,
                LoadKind.DOOR_INPUT,
                "gate, gate opener, garage door, door opener, barrier, lock, door lock, electric lock, door strike, strike, "
                        + "doorbell, bell, chime");
        leaveOpen(words, LoadKind.LED_LAMP, LoadKind.INCANDESCENT, "bulb, globe, lamp, pendant, chandelier");
        leaveOpen(words, LoadKind.LED_LAMP, LoadKind.HALOGEN, "spot, spotlight");
        leaveOpen(
                words,
                LoadKind.LED_DRIVER,
                LoadKind.LED_DRIVER,
                "downlight, light, ceiling light, wall light, floodlight, panel, batten, lantern");
        leaveOpen(words, LoadKind.HEATER, LoadKind.HEATER, "boiler, radiator");
        return words;
    }

    private static void say(Map<String, Word> words, LoadKind kind, String list) {
        add(words, new Word(kind, kind, true), list);
    }

    private static void leaveOpen(Map<String, Word> words, LoadKind kind, LoadKind large, String list) {
        add(words, new Word(kind, large, false), list);
    }

    private static void add(Map<String, Word> words, Word means, String list) {
        for (String word : list.split(", ")) {
            words.put(word, means);
        }
    }
}
