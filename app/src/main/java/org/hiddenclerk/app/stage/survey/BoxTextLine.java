package org.hiddenclerk.app.stage.survey;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A line of a box as text, with its words and where they begin. */
final class BoxTextLine {
    private static final Pattern WORD = Pattern.compile("\"([^\"]*)\"|(\\S+)");
    private final int number;
    private final List<String> words = new ArrayList<>();
    private final List<Integer> columns = new ArrayList<>();
    private final int end;
    private int at;

    BoxTextLine(int number, String text) {
        this.number = number;
        Matcher matcher = WORD.matcher(text);
        while (matcher.find() && (matcher.group(2) == null || !matcher.group(2).startsWith("#"))) {
            words.add(matcher.group(1) == null ? matcher.group(2) : matcher.group(1));
            columns.add(matcher.start() + 1);
        }
        end = text.length() + 1;
    }

    boolean hasMore() {
        return at < words.size();
    }

    String next(String expected) {
        if (!hasMore()) {
            throw new Unreadable(new TextProblem(number, end, "the end of the line", expected));
        }
        return words.get(at++);
    }

    boolean takes(String word) {
        boolean there = hasMore() && words.get(at).equals(word);
        at += there ? 1 : 0;
        return there;
    }

    void wants(String word) {
        if (!next("the word " + word).equals(word)) {
            throw wrong("the word " + word);
        }
    }

    String rest() {
        String rest = String.join(" ", words.subList(at, words.size()));
        at = words.size();
        return rest;
    }

    /** Where a line ends before it said something. */
    Unreadable nothing(String expected) {
        return new Unreadable(new TextProblem(number, end, "nothing", expected));
    }

    Unreadable wrong(String expected) {
        return new Unreadable(new TextProblem(number, columns.get(at - 1), words.get(at - 1), expected));
    }

    BigDecimal number(String expected) {
        try {
            return new BigDecimal(next(expected));
        } catch (NumberFormatException e) {
            throw wrong(expected);
        }
    }

    int whole(String expected) {
        try {
            return number(expected).intValueExact();
        } catch (ArithmeticException e) {
            throw wrong(expected);
        }
    }

    <T extends Enum<T>> T oneOf(Class<T> type, String what) {
        String word = next(what);
        return Arrays.stream(type.getEnumConstants())
                .filter(value -> BoxNotation.words(value).equals(word))
                .findFirst()
                .orElseThrow(() -> wrong(what + ": "
                        + String.join(
                                ", ",
                                Arrays.stream(type.getEnumConstants())
                                        .map(BoxNotation::words)
                                        .toList())));
    }

    String named(Map<String, String> known, String what) {
        String id = known.get(next(what));
        if (id == null) {
            throw wrong(what + ": "
                    + String.join(", ", known.keySet().stream().sorted().toList()));
        }
        return id;
    }

    void ends() {
        if (hasMore()) {
            at++;
            throw wrong("the end of the line");
        }
    }

    /** A place in the text that cannot be read. */
    record TextProblem(int line, int column, String found, String expected) {}

    static final class Unreadable extends RuntimeException {
        private static final long serialVersionUID = 1;
        private final transient TextProblem problem;

        Unreadable(TextProblem problem) {
            super(problem.expected(), null, false, false);
            this.problem = problem;
        }

        TextProblem problem() {
            return problem;
        }
    }
}
