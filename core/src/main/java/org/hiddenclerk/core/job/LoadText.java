package org.hiddenclerk.core.job;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.Volts;
import org.hiddenclerk.core.quantity.Watts;

/**
 * Loads as a person types them: how many, what, and the watts of each, in any usual order. "3x2 LED 7", "2x9 LED", "9 W LED",
 * "spots 5 x 6", "1.5 kW heater" and "LED strip 5 m 14 W/m at 24 V" are loads. Where it matters they tell their own volts ("at 24 V"), power
 * factor ("pf 0.7"), peak of inrush ("peak 20 A") and whether they are "dimmable" or "not dimmable". Several are joined by "+", "and" or ";".
 */
public final class LoadText {
    /** Counts and watts above these are taken for slips of the finger. */
    private static final int MAX_COUNT = 1_000;

    private static final BigDecimal MAX_WATTS = new BigDecimal("30000");
    private static final BigDecimal WATTS_OF_A_KILOWATT = new BigDecimal(1000);
    private static final String LIKE = "count, kind and watts, like \"3x2 LED 7\"";

    private static final Pattern BETWEEN = Pattern.compile("\\+|;|&|\\band\\b");
    private static final Pattern DIMMABLE = Pattern.compile("\\b(?<no>not |non[ -]?|un)?dimmable\\b");
    private static final Pattern FACTOR = Pattern.compile("\\bpf\\s*(?<figure>[01](?:[.,]\\d+)?)(?![.,]?\\d)");
    private static final Pattern PEAK = Pattern.compile("\\bpeak\\s*(?<figure>\\d{1,4}(?:[.,]\\d)?)\\s*a?\\b");
    private static final Pattern VOLTS = Pattern.compile(
            "\\b(?:at\\s*)?(?<figure>\\d{1,3}(?:[.,]\\d)?)\\s*v(?:olts?)?\\b|\\bat\\s*(?<bare>\\d{1,3}(?:[.,]\\d)?)(?![.,]?\\d|\\s*k?w)");
    private static final Pattern METRES = Pattern.compile(
            "(?<metres>\\d+(?:[.,]\\d+)?)\\s*m(?:etres?)?\\s+(?:(?:of|x)\\s+)?(?<each>\\d+(?:[.,]\\d+)?)\\s*w\\s*/\\s*m\\b");
    private static final Pattern TOKEN = Pattern.compile(
            "\\s*(?:(?<number>\\d+(?:[.,]\\d+)?)(?:\\s*(?<unit>kw|w|watts?))?(?=$|[\\sx])|(?<times>x)(?![a-wyz])|(?<word>[a-z]+))");
    private static final Set<String> FILLING = Set.of("a", "an", "each", "of", "pcs", "pieces", "the");

    private LoadText() {}

    /** What a text means: banks, or the place where it stops making sense. */
    public sealed interface Outcome {}

    /**
     * The text was understood.
     *
     * @param taken what a word left open and was taken for something, in sentences
     */
    public record Understood(List<LoadBank> banks, List<String> taken) implements Outcome {
        public Understood {
            banks = List.copyOf(banks);
            taken = List.copyOf(taken);
        }

        public Watts total() {
            return banks.stream().map(LoadBank::total).reduce(Watts.ZERO, Watts::plus);
        }

        /** What was understood, as a person reads it. */
        public String words() {
            return banks.stream().map(LoadBank::words).collect(Collectors.joining(" and "));
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

    /** The rest of a bank is not read once something in it makes no sense. */
    private static final class Unclear extends Exception {
        private static final long serialVersionUID = 1;

        private final String found;
        private final String expected;

        private Unclear(String found, String expected) {
            super(found);
            this.found = found;
            this.expected = expected;
        }
    }

    public static Outcome read(String text) {
        List<LoadBank> banks = new ArrayList<>();
        List<String> taken = new ArrayList<>();
        Matcher between = BETWEEN.matcher(text.toLowerCase(Locale.ROOT));
        int start = 0;
        boolean more = true;
        while (more) {
            more = between.find();
            int end = more ? between.start() : text.length();
            String part = text.substring(start, end);
            try {
                banks.add(new Bank(part).read(taken));
            } catch (Unclear unclear) {
                int column = start + part.length() - part.stripLeading().length();
                return new NotUnderstood(column, unclear.found, unclear.expected);
            }
            start = more ? between.end() : end;
        }
        return new Understood(banks, taken);
    }

    /** One bank while it is read. */
    private static final class Bank {
        private final String typed;
        private String rest;
        private final List<String> words = new ArrayList<>();
        private final List<BigDecimal> before = new ArrayList<>();
        private final List<BigDecimal> after = new ArrayList<>();
        private Optional<BigDecimal> watts = Optional.empty();
        private int times;
        private boolean timesLast;
        private boolean figureLast;

        private Bank(String typed) {
            this.typed = typed.strip();
            this.rest = this.typed
                    .toLowerCase(Locale.ROOT)
                    .replace('×', 'x')
                    .replace('*', 'x')
                    .replaceAll("(?<=[a-z])-(?=[a-z])", " ")
                    .replaceAll(",(?=\\s|$)", " ");
        }

        private LoadBank read(List<String> taken) throws Unclear {
            Optional<Boolean> dimmable = take(DIMMABLE, m -> m.group("no") == null);
            Optional<BigDecimal> typedFactor = take(FACTOR, m -> decimal(m.group("figure")));
            Optional<Amps> peak = take(PEAK, m -> Amps.of(decimal(m.group("figure"))));
            Optional<Volts> volts = take(
                    VOLTS, m -> Volts.of(decimal(m.group("figure") == null ? m.group("bare") : m.group("figure"))));
            watts = take(METRES, m -> decimal(m.group("metres")).multiply(decimal(m.group("each"))));
            readTokens();
            String phrase = String.join(" ", words);
            LoadWords.Word word = LoadWords.of(phrase)
                    .orElseThrow(() -> phrase.isEmpty()
                            ? new Unclear(typed, LIKE)
                            : new Unclear(phrase, "a kind of load: " + String.join(", ", LoadWords.plainest())));
            BigDecimal each = each(word);
            long count = count();
            if (count < 1 || count > MAX_COUNT) {
                throw new Unclear(count + " pieces", "1 to " + MAX_COUNT + " pieces");
            }
            if (each.signum() == 0
                    || each.compareTo(MAX_WATTS) > 0
                    || each.stripTrailingZeros().scale() > 3) {
                throw new Unclear(each.toPlainString() + " W", "more than 0 and at most " + MAX_WATTS + " W each");
            }
            LoadKind kind = word.kindAt(Watts.of(each));
            BigDecimal factor = typedFactor.orElseGet(() -> usualFactor(kind));
            if (factor.signum() == 0 || factor.compareTo(BigDecimal.ONE) > 0) {
                throw new Unclear("pf " + factor, "a power factor above 0 and at most 1");
            }
            if (volts.filter(v -> v.asDecimal().signum() == 0).isPresent()) {
                throw new Unclear("0 V", "volts above 0");
            }
            if (!word.said()) {
                taken.add(phrase + ": taken for " + kind.label() + ". Where it is something else, type what.");
            }
            return new LoadBank(kind, (int) count, Watts.of(each), factor, dimmable, peak, volts);
        }

        private <T> Optional<T> take(Pattern pattern, Function<Matcher, T> meaning) {
            Matcher matcher = pattern.matcher(rest);
            if (!matcher.find()) {
                return Optional.empty();
            }
            T meant = meaning.apply(matcher);
            rest = rest.substring(0, matcher.start()) + " " + rest.substring(matcher.end());
            return Optional.of(meant);
        }

        private void readTokens() throws Unclear {
            rest = rest.strip();
            Matcher token = TOKEN.matcher(rest);
            int at = 0;
            while (at < rest.length()) {
                if (!token.find(at) || token.start() != at) {
                    throw new Unclear(typed, LIKE);
                }
                if (token.group("number") != null) {
                    number(decimal(token.group("number")), token.group("unit"));
                } else if (token.group("times") != null) {
                    times++;
                    timesLast = true;
                    figureLast = false;
                } else if (!FILLING.contains(token.group("word"))) {
                    words.add(token.group("word"));
                    timesLast = false;
                    figureLast = false;
                }
                at = token.end();
            }
        }

        private void number(BigDecimal figure, String unit) throws Unclear {
            timesLast = false;
            if (unit == null) {
                if (figureLast) {
                    throw new Unclear(typed, LIKE);
                }
                figureLast = true;
                (words.isEmpty() ? before : after).add(figure);
                return;
            }
            if (watts.isPresent()) {
                throw new Unclear(typed, "one figure in watts, " + LIKE);
            }
            watts = Optional.of(unit.equals("kw") ? figure.multiply(WATTS_OF_A_KILOWATT) : figure);
        }

        /** Watts of each: what stands with a W; else the last figure, where it can't be the count. */
        private BigDecimal each(LoadWords.Word word) throws Unclear {
            if (watts.isPresent()) {
                return watts.get();
            }
            boolean counted = !after.isEmpty() && times > 0 && before.isEmpty() && after.size() == 1;
            if (!after.isEmpty() && !counted) {
                return after.remove(after.size() - 1);
            }
            if (after.isEmpty() && before.size() > 1 && times > 0 && !timesLast) {
                return before.remove(before.size() - 1);
            }
            if (word.kind() == LoadKind.DOOR_INPUT && after.isEmpty()) {
                // An input draws next to nothing, and nobody finds watts written on it.
                return BigDecimal.ONE;
            }
            throw new Unclear(typed, "the watts of each, " + LIKE);
        }

        private long count() throws Unclear {
            long count = 1;
            List<BigDecimal> counts = new ArrayList<>(before);
            counts.addAll(after);
            for (BigDecimal figure : counts) {
                if (figure.stripTrailingZeros().scale() > 0) {
                    throw new Unclear(figure + " pieces", "a whole number of pieces");
                }
                count = figure.compareTo(BigDecimal.valueOf(MAX_COUNT)) > 0
                        ? MAX_COUNT + 1
                        : count * figure.longValue();
                if (count > MAX_COUNT || count < 1) {
                    return count;
                }
            }
            return count;
        }
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
}
