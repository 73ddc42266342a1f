package org.hiddenclerk.app.job.search;

import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Finds words in everything that is kept: full text in the database where it is words, the beginning where it is a label or a
 * serial. The database's index takes no words of fewer than three letters.
 */
@Service
class Search {
    private static final int OF_EACH = 8;
    private static final int SHORTEST = 3;
    /** Rows that are looked at before the index is asked. */
    private static final int SAMPLE = 2_000;

    private static final String OF_BOX =
            " JOIN room r ON b.room_id = r.id AND b.removed_at IS NULL JOIN job j ON r.job_id = j.id";

    /**
     * Where to look.
     *
     * @param select  job, name of the job, box, title, detail
     * @param table   with its alias
     * @param joins   to what else is told
     * @param columns that are searched: one for a beginning, those of a full-text index for words
     */
    private record Place(Kind kind, By by, String select, String table, String joins, String columns) {
        /** How: names that houses share are looked for in a few rows first. */
        enum By {
            BEGINNING,
            WORDS,
            SHARED_NAMES
        }

        static Place words(Kind kind, String select, String table, String joins, String columns) {
            return new Place(kind, By.WORDS, select, table, joins, columns);
        }

        static Place names(Kind kind, String select, String table, String joins, String columns) {
            return new Place(kind, By.SHARED_NAMES, select, table, joins, columns);
        }

        static Place beginning(Kind kind, String select, String table, String joins, String column) {
            return new Place(kind, By.BEGINNING, select, table, joins, column);
        }

        /** The few rows are found first, and then told to what they belong: the other way round the database reads all houses. */
        private String few(String rows, String where) {
            String alias = table.split(" ")[1];
            return "SELECT " + select + " FROM (SELECT * FROM " + rows + " " + alias + " WHERE " + where + " LIMIT "
                    + OF_EACH + ") " + alias + joins;
        }

        /** All rows are told to what they belong, and then the few of some jobs are taken. */
        private String fewOfJobs(String where) {
            return "SELECT " + select + " FROM " + table + joins + " WHERE j.id IN (:jobs) AND " + where + " LIMIT "
                    + OF_EACH;
        }

        String beginningInJobs() {
            return fewOfJobs(columns + " LIKE :beginning ORDER BY " + columns);
        }

        String byIndexInJobs() {
            return fewOfJobs("MATCH(" + columns + ") AGAINST (:words IN BOOLEAN MODE)");
        }

        private String rows() {
            return table.split(" ")[0];
        }

        String beginning() {
            return few(rows(), columns + " LIKE :beginning ORDER BY " + columns);
        }

        String byIndex() {
            return few(rows(), "MATCH(" + columns + ") AGAINST (:words IN BOOLEAN MODE)");
        }

        /** In the first rows only: a word that is everywhere is found there, where the index would gather all of them first. */
        String inSample(int words) {
            return few(
                    "(SELECT * FROM " + rows() + " LIMIT " + SAMPLE + ")",
                    IntStream.range(0, words)
                            .mapToObj(i -> "CONCAT_WS(' ', " + columns + ") REGEXP :word" + i)
                            .collect(Collectors.joining(" AND ")));
        }
    }

    /** What was found. */
    enum Kind {
        JOB("job"),
        ROOM("room"),
        BOX("box"),
        SWITCH("switch"),
        LOAD("load"),
        CIRCUIT("circuit"),
        MODULE("module"),
        DEVICE("device in the network"),
        FINDING("finding"),
        HOLD("accepted hold"),
        FOUND_OTHERWISE("found otherwise"),
        TEST("test of the hand over"),
        LOG("log book");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        String label() {
            return label;
        }
    }

    private static final String HOUSE = "j.id, j.name, NULL, ";
    private static final String BOX = "j.id, j.name, b.id, ";
    private static final String WHERE_IT_IS = ", CONCAT(b.label, ', ', r.name)";

    private static final List<Place> PLACES = List.of(
            Place.beginning(Kind.BOX, BOX + "b.label, r.name", "box b", OF_BOX, "b.label"),
            Place.words(Kind.JOB, HOUSE + "j.name, j.place", "job j", "", "j.name, j.place"),
            Place.words(Kind.ROOM, HOUSE + "r.name, r.storey", "room r", " JOIN job j ON r.job_id = j.id", "r.name"),
            Place.names(
                    Kind.SWITCH,
                    BOX + "g.name" + WHERE_IT_IS,
                    "gang g",
                    " JOIN box b ON g.box_id = b.id" + OF_BOX,
                    "g.name"),
            Place.names(
                    Kind.LOAD,
                    BOX + "CONCAT(l.name, ': ', l.typed)" + WHERE_IT_IS,
                    "box_load l",
                    " JOIN box b ON l.box_id = b.id" + OF_BOX,
                    "l.name, l.typed"),
            Place.beginning(
                    Kind.CIRCUIT, HOUSE + "c.label, ''", "circuit c", " JOIN job j ON c.job_id = j.id", "c.label"),
            Place.beginning(
                    Kind.MODULE,
                    "j.id, j.name, u.box_id, u.serial, u.module_code",
                    "bench_unit u",
                    " JOIN job j ON u.job_id = j.id",
                    "u.serial"),
            Place.words(
                    Kind.MODULE,
                    "j.id, j.name, u.box_id, COALESCE(u.display_name, u.serial), CONCAT(u.module_code, ' ', u.serial)",
                    "bench_unit u",
                    " JOIN job j ON u.job_id = j.id",
                    "u.serial, u.display_name, u.handle"),
            Place.words(
                    Kind.DEVICE,
                    HOUSE + "d.name, d.address",
                    "joined_device d",
                    " JOIN job j ON d.job_id = j.id",
                    "d.name, d.address"),
            Place.words(
                    Kind.FINDING,
                    BOX + "LEFT(f.words, 160)" + WHERE_IT_IS,
                    "box_finding f",
                    " JOIN box b ON f.box_id = b.id" + OF_BOX,
                    "f.words"),
            Place.words(
                    Kind.HOLD,
                    BOX + "h.finding, h.reason",
                    "accepted_hold h",
                    " JOIN box b ON h.box_id = b.id" + OF_BOX,
                    "h.subject, h.finding, h.reason"),
            Place.words(
                    Kind.FOUND_OTHERWISE,
                    BOX + "f.words, b.label",
                    "found_otherwise f",
                    " JOIN box b ON f.box_id = b.id" + OF_BOX,
                    "f.words"),
            Place.words(
                    Kind.TEST,
                    BOX + "CONCAT(t.note, ' ', t.cause), b.label",
                    "handover_entry t",
                    " JOIN box b ON t.box_id = b.id" + OF_BOX,
                    "t.note, t.cause"),
            Place.words(
                    Kind.LOG,
                    "j.id, j.name, e.box_id, CONCAT(e.concept, ' ', e.subject), LEFT(e.words, 160)",
                    "log_entry e",
                    " JOIN job j ON e.job_id = j.id",
                    "e.subject, e.words"));

    private final JdbcClient jdbc;

    Search(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param box empty for what concerns the house */
    record Hit(Kind kind, UUID job, String jobName, Optional<UUID> box, String title, String detail) {}

    /** @param jobs that the caller may see; nothing stands for all */
    @Transactional(readOnly = true)
    public List<Hit> find(String typed, Optional<Set<UUID>> jobs) {
        String text = typed.strip();
        List<String> words = words(text);
        Set<Hit> hits = new LinkedHashSet<>();
        for (Place place : PLACES) {
            if (place.by() != Place.By.BEGINNING && !words.isEmpty()) {
                hits.addAll(jobs.map(theirs -> inJobs(place, place.byIndexInJobs(), theirs, "words", asked(words)))
                        .orElseGet(() -> byWords(place, words)));
            } else if (place.by() == Place.By.BEGINNING && !text.isEmpty()) {
                String beginning = escaped(text) + "%";
                hits.addAll(jobs.map(theirs -> inJobs(place, place.beginningInJobs(), theirs, "beginning", beginning))
                        .orElseGet(() -> hits(place, jdbc.sql(place.beginning()).param("beginning", beginning))));
            }
        }
        return List.copyOf(hits);
    }

    private List<Hit> inJobs(Place place, String sql, Set<UUID> jobs, String name, String value) {
        return jobs.isEmpty()
                ? List.of()
                : hits(
                        place,
                        jdbc.sql(sql)
                                .param("jobs", jobs.stream().map(UUID::toString).toList())
                                .param(name, value));
    }

    private static String asked(List<String> words) {
        return words.stream().map(word -> "+" + word + "*").collect(Collectors.joining(" "));
    }

    private List<Hit> byWords(Place place, List<String> words) {
        List<Hit> first = place.by() == Place.By.SHARED_NAMES ? inSample(place, words) : List.of();
        return first.size() == OF_EACH
                ? first
                : hits(place, jdbc.sql(place.byIndex()).param("words", asked(words)));
    }

    private List<Hit> inSample(Place place, List<String> words) {
        JdbcClient.StatementSpec sample = jdbc.sql(place.inSample(words.size()));
        for (int i = 0; i < words.size(); i++) {
            sample.param("word" + i, "\\b" + words.get(i));
        }
        return hits(place, sample);
    }

    private static List<Hit> hits(Place place, JdbcClient.StatementSpec query) {
        return query.query((row, i) -> new Hit(
                        place.kind(),
                        UUID.fromString(row.getString(1)),
                        row.getString(2),
                        Optional.ofNullable(row.getString(3)).map(UUID::fromString),
                        row.getString(4),
                        row.getString(5)))
                .list();
    }

    /** Every word must be there, as the beginning of one; they are letters and figures only, so none means anything to the database. */
    private static List<String> words(String text) {
        return Arrays.stream(text.split("[^\\p{L}\\p{N}_]+"))
                .filter(word -> word.length() >= SHORTEST)
                .limit(6)
                .toList();
    }

    private static String escaped(String text) {
        return text.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_");
    }
}
