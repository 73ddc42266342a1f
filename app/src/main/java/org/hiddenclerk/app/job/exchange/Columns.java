package org.hiddenclerk.app.job.exchange;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.JsonNodeFactory;

/** How the columns of job parts are written as JSON: read off the database, so that no column is forgotten. */
@Component
class Columns {
    private static final DateTimeFormatter INSTANT = DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HH:mm:ss.SSSSSS'Z'");
    private static final JsonMapper EXACT = JsonMapper.builder()
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .build();
    private static final int ID_LETTERS = 36;
    private static final int DIGITS = 20;
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    private final JdbcClient jdbc;
    private final Map<String, List<Column>> known = new LinkedHashMap<>();

    Columns(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Kinds of values. */
    enum Kind {
        ID,
        TEXT,
        YES_NO,
        WHOLE,
        NUMBER,
        INSTANT,
        DATE,
        JSON,
        BYTES
    }

    /** @param longest of a text; 0 where there is no limit */
    record Column(String name, Kind kind, boolean optional, long longest) {
        /** As the file calls it. */
        String field() {
            StringBuilder field = new StringBuilder();
            boolean up = false;
            for (char letter : name.toCharArray()) {
                if (letter == '_') {
                    up = true;
                } else {
                    field.append(up ? Character.toUpperCase(letter) : letter);
                    up = false;
                }
            }
            return field.toString();
        }

        JsonNode write(@Nullable Object value) {
            if (value == null) {
                return NODES.nullNode();
            }
            return switch (kind) {
                case ID, TEXT -> NODES.stringNode(value.toString());
                case YES_NO -> NODES.booleanNode(value instanceof Boolean yes ? yes : ((Number) value).intValue() != 0);
                case WHOLE -> NODES.numberNode(((Number) value).longValue());
                case NUMBER -> NODES.numberNode((BigDecimal) value);
                case INSTANT -> NODES.stringNode(INSTANT.format((LocalDateTime) value));
                case DATE -> NODES.stringNode(value.toString());
                case JSON -> EXACT.readTree(value.toString());
                case BYTES -> NODES.stringNode(Base64.getEncoder().encodeToString((byte[]) value));
            };
        }

        /** @throws IllegalArgumentException that says what is expected */
        @Nullable
        Object read(JsonNode node) {
            if (node.isNull() || node.isMissingNode()) {
                return null;
            }
            return switch (kind) {
                case ID -> {
                    require(text(node).length() == ID_LETTERS, "an id of 36 letters");
                    yield UUID.fromString(text(node)).toString();
                }
                case TEXT -> limited(text(node));
                case YES_NO -> {
                    require(node.isBoolean(), "true or false");
                    yield node.booleanValue();
                }
                case WHOLE -> {
                    require(node.isIntegralNumber() && node.canConvertToLong(), "a whole number");
                    yield node.longValue();
                }
                case NUMBER -> {
                    require(node.isNumber() && isPlain(node.decimalValue()), "a number of at most 20 digits");
                    yield node.decimalValue();
                }
                case INSTANT -> instant(text(node));
                case DATE -> date(text(node));
                case JSON -> EXACT.writeValueAsString(node);
                case BYTES -> Base64.getDecoder().decode(text(node));
            };
        }

        /** Written out it must not become a text of gigabytes. */
        private static boolean isPlain(BigDecimal number) {
            return Math.abs((long) number.scale()) <= DIGITS && number.precision() <= DIGITS;
        }

        private static String text(JsonNode node) {
            require(node.isString(), "a text");
            return node.stringValue();
        }

        private String limited(String text) {
            require(longest == 0 || text.length() <= longest, "at most " + longest + " letters");
            return text;
        }

        private static LocalDateTime instant(String text) {
            try {
                return LocalDateTime.parse(text, INSTANT);
            } catch (DateTimeParseException e) {
                throw new IllegalArgumentException("an instant such as 2026-03-02T09:00:00.000000Z", e);
            }
        }

        private static LocalDate date(String text) {
            try {
                return LocalDate.parse(text);
            } catch (DateTimeParseException e) {
                throw new IllegalArgumentException("a day such as 2026-03-02", e);
            }
        }

        private static void require(boolean holds, String expected) {
            if (!holds) {
                throw new IllegalArgumentException(expected);
            }
        }

        /** Its JSON Schema. */
        Map<String, Object> schema() {
            Map<String, Object> schema = new LinkedHashMap<>();
            switch (kind) {
                case ID -> type(schema, "string").put("format", "uuid");
                case TEXT -> {
                    type(schema, "string");
                    if (longest > 0) {
                        schema.put("maxLength", longest);
                    }
                }
                case YES_NO -> type(schema, "boolean");
                case WHOLE -> type(schema, "integer");
                case NUMBER -> type(schema, "number");
                case INSTANT -> type(schema, "string").put("format", "date-time");
                case DATE -> type(schema, "string").put("format", "date");
                case BYTES -> type(schema, "string").put("contentEncoding", "base64");
                case JSON -> {}
            }
            return schema;
        }

        private Map<String, Object> type(Map<String, Object> schema, String type) {
            schema.put("type", optional ? List.of(type, "null") : type);
            return schema;
        }
    }

    synchronized List<Column> of(JobPart part) {
        return known.computeIfAbsent(part.table(), table -> read(table).stream()
                .filter(column -> !part.isNumbered() || !part.key().contains(column.name()))
                .toList());
    }

    private List<Column> read(String table) {
        return jdbc.sql(
                        """
                SELECT c.column_name, c.data_type, c.column_type, c.is_nullable, c.character_maximum_length,
                       EXISTS (SELECT 1 FROM information_schema.check_constraints k WHERE k.constraint_schema = c.table_schema AND k.table_name = c.table_name
                               AND k.check_clause LIKE CONCAT('%json_valid(`', c.column_name, '`)%')) AS json
                FROM information_schema.columns c WHERE c.table_schema = DATABASE() AND c.table_name = :table AND c.is_generated = 'NEVER' ORDER BY c.ordinal_position""")
                .param("table", table)
                .query((row, i) -> new Column(
                        row.getString(1),
                        kind(row.getString(2), row.getString(3), row.getBoolean(6)),
                        "YES".equals(row.getString(4)),
                        row.getString(2).endsWith("text") ? 0 : row.getLong(5)))
                .list();
    }

    private static Kind kind(String type, String full, boolean json) {
        if (json) {
            return Kind.JSON;
        }
        return switch (type.toLowerCase(Locale.ROOT)) {
            case "uuid" -> Kind.ID;
            case "date" -> Kind.DATE;
            case "tinyint" -> full.startsWith("tinyint(1)") ? Kind.YES_NO : Kind.WHOLE;
            case "int", "bigint", "smallint" -> Kind.WHOLE;
            case "decimal" -> Kind.NUMBER;
            case "datetime" -> Kind.INSTANT;
            case "longblob", "mediumblob", "blob", "binary", "varbinary" -> Kind.BYTES;
            default -> Kind.TEXT;
        };
    }
}
