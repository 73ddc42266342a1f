package org.hiddenclerk.core.job;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.Volts;
import org.hiddenclerk.core.quantity.Watts;

/**
 * Loads as a person types them.
 *
 * <p>One bank is {@code [count x]... [count] kind watts [at volts V] [pf factor] [peak amps] [[not] dimmable]}: "3x2 LED 7" is three times
 * two LED lamps of 7 W, "fan 45 pf 0.7" one fan, "2 led driver 30 peak 20 dimmable" two drivers that draw 20 A at
 * first. Banks are joined by "+". Case, spaces and a trailing "W" don't matter.
 */
public final class LoadText {
    /** Counts and watts above these are taken for slips of the finger. */
    private static final int MAX_COUNT = 1_000;

    private static final BigDecimal MAX_WATTS = new BigDecimal("30000");
    private static final Pattern BANK =
            Pattern.compile("\\s*(?<counts>(?:\\d+\\s*[x×*]\\s*)*)(?<last>\\d+\\s+)?(?<kind>[a-z][a-z -]*?)\\s+"
                    + "(?<watts>\\d+(?:[.,]\\d+)?)\\s*w?(?:\\s+at\\s*(?<volts>\\d{1,3}(?:[.,]\\d)?)\\s*v?)?(?:\\s+pf\\s*(?<pf>[01](?:[.,]\\d+)?))?"
                    + "(?:\\s+peak\\s*(?<peak>\\d{1,4}(?:[.,]\\d)?)\\s*a?)?(?<dim>\\s+(?:not\\s+)?dimmable)?\\s*");
    private static final Map<String, LoadKind> KINDS = kinds();

    private LoadText() {}

    /** What a text means: banks, or the place where it stops making sense. */
    public sealed interface Outcome {}

    /** The text was understood. */
    public record Understood(List<LoadBank> banks) implements Outcome {
        public Understood {
            banks = List.copyOf(banks);
        }

        public Watts total() {
            return banks.stream().map(LoadBank::total).reduce(Watts.ZERO, Watts::plus);
        }
    }

    /**
     * The text was not understood.
     *
     * @param column   where the bank that isn't understood begins, from 0
     * @param found    that bank
     * @param expected what would be understood
     */
    public record NotUnderstood(int column, String found, String expected) implements Outcome {}

    public static Outcome read(String text) {
        List<LoadBank> banks = new ArrayList<>();
        int start = 0;
        for (String part : text.split("\\+", -1)) {
            int column = start + part.length() - part.stripLeading().length();
            Matcher matcher = BANK.matcher(part.toLowerCase(Locale.ROOT));
            if (!matcher.matches()) {
                return new NotUnderstood(column, part.strip(), "count, kind and watts, like \"3x2 LED 7\"");
            }
            LoadKind kind = KINDS.get(matcher.group("kind").strip().replace('-', ' '));
            if (kind == null) {
                return new NotUnderstood(
                        column, matcher.group("kind").strip(), "a kind of load: " + String.join(", ", KINDS.keySet()));
            }
            long count = count(matcher);
            BigDecimal watts = decimal(matcher.group("watts"));
            BigDecimal factor = matcher.group("pf") == null ? usualFactor(kind) : decimal(matcher.group("pf"));
            if (count < 1 || count > MAX_COUNT) {
                return new NotUnderstood(column, count + " pieces", "1 to " + MAX_COUNT + " pieces");
            }
            if (watts.signum() == 0 || watts.compareTo(MAX_WATTS) > 0 || watts.scale() > 3) {
                return new NotUnderstood(column, watts + " W", "more than 0 and at most " + MAX_WATTS + " W each");
            }
            if (factor.signum() == 0 || factor.compareTo(BigDecimal.ONE) > 0) {
                return new NotUnderstood(column, "pf " + factor, "a power factor above 0 and at most 1");
            }
            Optional<Amps> peak = Optional.ofNullable(matcher.group("peak"))
                    .map(LoadText::decimal)
                    .map(Amps::of);
            Optional<Boolean> dimmable =
                    Optional.ofNullable(matcher.group("dim")).map(words -> !words.contains("not"));
            Optional<Volts> volts = Optional.ofNullable(matcher.group("volts"))
                    .map(LoadText::decimal)
                    .map(Volts::of);
            if (volts.filter(v -> v.asDecimal().signum() == 0).isPresent()) {
                return new NotUnderstood(column, "0 V", "volts above 0");
            }
            banks.add(new LoadBank(kind, (int) count, Watts.of(watts), factor, dimmable, peak, volts));
            start += part.length() + 1;
        }
        return new Understood(banks);
    }

    private static long count(Matcher matcher) {
        long count = 1;
        String counts = matcher.group("counts") + (matcher.group("last") == null ? "" : matcher.group("last"));
        for (String number : counts.split("[^\\d]+")) {
            if (!number.isEmpty()) {
                count = number.length() > 5 ? Long.MAX_VALUE / MAX_COUNT : count * Long.parseLong(number);
                if (count > MAX_COUNT || count < 1) {
                    return count;
                }
            }
        }
        return count;
    }

    private static BigDecimal decimal(String text) {
        return new BigDecimal(text.replace(',', '.'));
    }

    /** Power factors taken where none is typed; common practice, no source. */
    private static BigDecimal usualFactor(LoadKind kind) {
        return switch (kind) {
            case LED_LAMP, LED_DRIVER, ELECTRONIC_TRANSFORMER, ELV_STRIP -> new BigDecimal("0.9");
            case MOTOR, BLIND_MOTOR -> new BigDecimal("0.8");
            case FLUORESCENT, WIRE_WOUND_TRANSFORMER -> new BigDecimal("0.85");
            case RESISTIVE, INCANDESCENT, HALOGEN, HEATER, SOCKET, COIL, DOOR_INPUT -> BigDecimal.ONE;
        };
    }

    private static Map<String, LoadKind> kinds() {
        Map<String, LoadKind> kinds = new LinkedHashMap<>();
        kinds.put("led", LoadKind.LED_LAMP);
        kinds.put("led driver", LoadKind.LED_DRIVER);
        kinds.put("incandescent", LoadKind.INCANDESCENT);
        kinds.put("halogen", LoadKind.HALOGEN);
        kinds.put("fluorescent", LoadKind.FLUORESCENT);
        kinds.put("electronic transformer", LoadKind.ELECTRONIC_TRANSFORMER);
        kinds.put("wire wound transformer", LoadKind.WIRE_WOUND_TRANSFORMER);
        kinds.put("fan", LoadKind.MOTOR);
        kinds.put("motor", LoadKind.MOTOR);
        kinds.put("heater", LoadKind.HEATER);
        kinds.put("socket", LoadKind.SOCKET);
        kinds.put("coil", LoadKind.COIL);
        kinds.put("blind", LoadKind.BLIND_MOTOR);
        kinds.put("strip", LoadKind.ELV_STRIP);
        kinds.put("gate", LoadKind.DOOR_INPUT);
        return kinds;
    }
}
