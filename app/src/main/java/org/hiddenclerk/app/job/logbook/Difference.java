package org.hiddenclerk.app.job.logbook;

import com.fasterxml.jackson.annotation.JsonAutoDetect.Visibility;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * One value that is no longer what it was.
 *
 * @param field  what it is, such as {@code loads 1 typed}
 * @param before empty for what was not there
 * @param after  empty for what is gone
 */
record Difference(String field, String before, String after) {
    private static final int MOST = 40;
    private static final int LONGEST = 200;
    private static final JsonMapper FIELDS = JsonMapper.builder()
            .disable(SerializationFeature.FAIL_ON_EMPTY_BEANS)
            .changeDefaultVisibility(visibility -> visibility
                    .withVisibility(PropertyAccessor.ALL, Visibility.NONE)
                    .withVisibility(PropertyAccessor.FIELD, Visibility.ANY))
            .build();

    /** Leaves of two values that differ; texts that are JSON are looked into. At most {@value #MOST}. */
    static List<Difference> between(String name, @Nullable Object before, @Nullable Object after) {
        Map<String, String> was = new LinkedHashMap<>();
        Map<String, String> is = new LinkedHashMap<>();
        String at = name.equals("document") ? "" : spaced(name);
        flatten(at, tree(before), was);
        flatten(at, tree(after), is);
        Set<String> fields = new LinkedHashSet<>(was.keySet());
        fields.addAll(is.keySet());
        List<Difference> differences = new ArrayList<>();
        List<String> whole = fields.stream()
                .filter(field -> field.endsWith("\"") && was.containsKey(field) != is.containsKey(field))
                .map(field -> field + " ")
                .toList();
        // A value of something named that is new or gone as a whole: that it is says enough.
        fields.removeIf(field -> whole.stream().anyMatch(field::startsWith));
        for (String field : fields) {
            String old = was.getOrDefault(field, "");
            String now = is.getOrDefault(field, "");
            if (!old.equals(now) && differences.size() < MOST) {
                differences.add(new Difference(field, shown(old), shown(now)));
            }
        }
        return differences;
    }

    private static JsonNode tree(@Nullable Object value) {
        if (value instanceof String text && (text.startsWith("{") || text.startsWith("["))) {
            try {
                return FIELDS.readTree(text);
            } catch (JacksonException e) {
                return FIELDS.valueToTree(text);
            }
        }
        if (value instanceof java.util.Collection<?> all) {
            return FIELDS.valueToTree(new ArrayList<>(all));
        }
        return value instanceof byte[] bytes
                ? FIELDS.valueToTree(bytes.length + " bytes")
                : value instanceof Enum<?> || value instanceof java.util.UUID || value instanceof java.time.Instant
                        ? FIELDS.valueToTree(value.toString())
                        : FIELDS.valueToTree(value);
    }

    private static void flatten(String at, JsonNode node, Map<String, String> into) {
        if (node.isObject()) {
            node.properties().stream()
                    .filter(field ->
                            !field.getKey().equals("id") && !(field.getKey().equals("name") && isNamed(node)))
                    .forEach(field -> flatten(joined(at, spaced(field.getKey())), field.getValue(), into));
        } else if (node.isArray()) {
            for (int i = 0; i < node.size(); i++) {
                JsonNode each = node.get(i);
                // What has an id and a name is told by its name, wherever it stands.
                String which = isNamed(each) ? "\"" + each.get("name").asString() + "\"" : String.valueOf(i + 1);
                if (isNamed(each)) {
                    into.put(joined(at, which), "there");
                }
                flatten(joined(at, which), each, into);
            }
        } else if (!node.isNull()) {
            into.put(at, node.asString(""));
        }
    }

    private static boolean isNamed(JsonNode node) {
        return node.isObject()
                && node.has("id")
                && node.path("name").isString()
                && !node.path("name").asString().isBlank();
    }

    private static String joined(String at, String more) {
        return at.isEmpty() ? more : at + " " + more;
    }

    /** {@code moduleCode} as {@code module code}. */
    private static String spaced(String name) {
        return name.replaceAll("(?<=[a-z])(?=[A-Z])", " ").toLowerCase(java.util.Locale.ROOT);
    }

    private static String shown(String text) {
        return text.length() > LONGEST ? text.substring(0, LONGEST) + "…" : text;
    }

    String words() {
        if (before.isEmpty()) {
            return field + ": " + after;
        }
        return field + ": " + before + (after.isEmpty() ? " taken away" : " → " + after);
    }

    static String words(List<Difference> differences) {
        return differences.stream().map(Difference::words).collect(Collectors.joining("; "));
    }
}
