package org.hiddenclerk.app.platform.access;

import java.security.Principal;
import java.time.Clock;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Which jobs a caller may see, and to which job the thing in a path belongs. */
@Component
public class JobsOfCallers {
    private static final String OF_BOX = " JOIN room r ON b.room_id = r.id";
    /** By the name of the path's variable, in the order in which they are asked: what to select by its id. */
    private static final Map<String, String> JOB_BY_VARIABLE = new LinkedHashMap<>();

    static {
        JOB_BY_VARIABLE.put("job", "SELECT id FROM job WHERE id = :id");
        JOB_BY_VARIABLE.put("box", "SELECT r.job_id FROM box b" + OF_BOX + " WHERE b.id = :id");
        JOB_BY_VARIABLE.put("room", "SELECT job_id FROM room WHERE id = :id");
        JOB_BY_VARIABLE.put("circuit", "SELECT job_id FROM circuit WHERE id = :id");
        JOB_BY_VARIABLE.put("unit", "SELECT job_id FROM bench_unit WHERE id = :id");
        JOB_BY_VARIABLE.put("device", "SELECT job_id FROM joined_device WHERE id = :id");
        JOB_BY_VARIABLE.put("choice", "SELECT job_id FROM house_choice WHERE id = :id");
        JOB_BY_VARIABLE.put("rollout", "SELECT job_id FROM rollout WHERE id = :id");
        JOB_BY_VARIABLE.put(
                "photo",
                "SELECT r.job_id FROM box_photo p JOIN box b ON p.box_id = b.id" + OF_BOX + " WHERE p.id = :id");
        JOB_BY_VARIABLE.put(
                "found",
                "SELECT r.job_id FROM found_otherwise f JOIN box b ON f.box_id = b.id" + OF_BOX + " WHERE f.id = :id");
        JOB_BY_VARIABLE.put(
                "credential",
                "SELECT u.job_id FROM credential c JOIN bench_unit u ON c.unit_id = u.id WHERE c.id = :id");
    }

    private final JdbcClient jdbc;
    private final Clock clock;

    JobsOfCallers(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** The jobs that somebody may see; nothing stands for all of them. */
    public Optional<Set<UUID>> visibleTo(Principal who) {
        return Caller.of(who).map(this::visibleTo).orElse(Optional.of(Set.of()));
    }

    /** The jobs that a caller may see; nothing stands for all of them. */
    public Optional<Set<UUID>> visibleTo(Caller caller) {
        return switch (caller.role()) {
            case OWNER, LEAD -> Optional.empty();
            case FITTER ->
                Optional.of(new HashSet<>(jdbc.sql(
                                "SELECT s.job_id FROM assignment s JOIN account a ON s.account_id = a.id WHERE a.name = :name")
                        .param("name", caller.name())
                        .query(UUID.class)
                        .list()));
            case GUEST ->
                Optional.of(
                        caller.guestLink().flatMap(this::jobOfLink).map(Set::of).orElse(Set.of()));
        };
    }

    private Optional<UUID> jobOfLink(UUID link) {
        return jdbc.sql("SELECT job_id FROM guest_link WHERE id = :id AND revoked_at IS NULL AND expires_at > :now")
                .param("id", link.toString())
                .param("now", LocalDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                .query(UUID.class)
                .optional();
    }

    /** The job of the first of these variables that belongs to one, if there is such a thing. */
    Optional<UUID> jobOf(Map<String, String> variables) {
        return JOB_BY_VARIABLE.entrySet().stream()
                .filter(entry -> variables.containsKey(entry.getKey()))
                .findFirst()
                .flatMap(entry -> id(variables.get(entry.getKey())).flatMap(id -> jdbc.sql(entry.getValue())
                        .param("id", id.toString())
                        .query(UUID.class)
                        .optional()));
    }

    private static Optional<UUID> id(String text) {
        try {
            return Optional.of(UUID.fromString(text));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }
}
