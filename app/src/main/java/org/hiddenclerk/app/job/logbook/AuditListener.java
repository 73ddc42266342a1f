package org.hiddenclerk.app.job.logbook;

import jakarta.persistence.EntityManagerFactory;
import java.time.Clock;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hibernate.engine.spi.SessionFactoryImplementor;
import org.hibernate.event.service.spi.EventListenerRegistry;
import org.hibernate.event.spi.EventType;
import org.hibernate.event.spi.PostDeleteEvent;
import org.hibernate.event.spi.PostDeleteEventListener;
import org.hibernate.event.spi.PostInsertEvent;
import org.hibernate.event.spi.PostInsertEventListener;
import org.hibernate.event.spi.PostUpdateEvent;
import org.hibernate.event.spi.PostUpdateEventListener;
import org.hibernate.event.spi.PreCollectionUpdateEvent;
import org.hibernate.event.spi.PreCollectionUpdateEventListener;
import org.hibernate.persister.entity.EntityPersister;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * Writes every change of what is kept into the log book, as it goes to the database and within its transaction: what is not
 * stored is not told, what is stored is.
 */
@Component
class AuditListener
        implements PostInsertEventListener,
                PostUpdateEventListener,
                PostDeleteEventListener,
                PreCollectionUpdateEventListener {
    private static final long serialVersionUID = 1L;
    private static final int LONGEST_WORDS = 2_000;
    private static final int LONGEST_SUBJECT = 200;
    private static final String NOBODY = "the clerk";

    private final transient JdbcClient jdbc;
    private final transient JsonMapper json;
    private final transient Clock clock;

    AuditListener(EntityManagerFactory factory, JdbcClient jdbc, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
        EventListenerRegistry listeners = factory.unwrap(SessionFactoryImplementor.class)
                .getServiceRegistry()
                .requireService(EventListenerRegistry.class);
        listeners.appendListeners(EventType.POST_INSERT, this);
        listeners.appendListeners(EventType.POST_UPDATE, this);
        listeners.appendListeners(EventType.POST_DELETE, this);
        listeners.appendListeners(EventType.PRE_COLLECTION_UPDATE, this);
    }

    private enum Did {
        ADDED,
        CHANGED,
        REMOVED
    }

    /** A row with its properties by name. */
    private record Row(AuditedEntity concept, String type, Object id, Map<String, Object> properties) {
        Optional<String> text(String property) {
            return Optional.ofNullable(properties.get(property)).map(Object::toString);
        }
    }

    private static Optional<Row> row(EntityPersister persister, Object id, Object[] state) {
        String name = persister.getEntityName();
        String type = name.substring(name.lastIndexOf('.') + 1);
        AuditedEntity concept = AuditedEntity.LOGGED.get(type);
        if (concept == null) {
            return Optional.empty();
        }
        Map<String, Object> properties = new HashMap<>();
        for (int i = 0; i < state.length; i++) {
            properties.put(persister.getPropertyNames()[i], state[i]);
        }
        return Optional.of(new Row(concept, type, id, properties));
    }

    @Override
    public void onPostInsert(PostInsertEvent event) {
        row(event.getPersister(), event.getId(), event.getState()).ifPresent(row -> {
            List<Difference> values = new ArrayList<>();
            row.properties().forEach((property, value) -> {
                if (row.concept().shows(property)
                        && !property.equals(row.concept().name())) {
                    values.addAll(Difference.between(property, null, value));
                }
            });
            write(row, Did.ADDED, values);
        });
    }

    @Override
    public void onPostUpdate(PostUpdateEvent event) {
        row(event.getPersister(), event.getId(), event.getState()).ifPresent(row -> {
            List<Difference> changed = new ArrayList<>();
            Object[] old = event.getOldState();
            int[] dirty = event.getDirtyProperties();
            if (old != null && dirty != null) {
                for (int i : dirty) {
                    String property = event.getPersister().getPropertyNames()[i];
                    if (row.concept().shows(property) && !(old[i] instanceof java.util.Collection<?>)) {
                        changed.addAll(Difference.between(property, old[i], event.getState()[i]));
                    }
                }
            }
            if (!changed.isEmpty()) {
                write(row, Did.CHANGED, changed);
            }
        });
    }

    @Override
    public void onPostDelete(PostDeleteEvent event) {
        row(event.getPersister(), event.getId(), event.getDeletedState())
                .ifPresent(row -> write(row, Did.REMOVED, List.of()));
    }

    /** Parts of a box, entries of a run sheet: told of their owner. */
    @Override
    public void onPreUpdateCollection(PreCollectionUpdateEvent event) {
        Object owner = event.getAffectedOwnerOrNull();
        if (owner == null) {
            return;
        }
        EntityPersister persister = event.getSession().getEntityPersister(event.getAffectedOwnerEntityName(), owner);
        row(persister, event.getAffectedOwnerIdOrNull(), persister.getValues(owner))
                .ifPresent(row -> {
                    String role = event.getCollection().getRole();
                    List<Difference> changed = Difference.between(
                            role.substring(role.lastIndexOf('.') + 1),
                            event.getCollection().getStoredSnapshot(),
                            event.getCollection());
                    if (!changed.isEmpty()) {
                        write(row, Did.CHANGED, changed);
                    }
                });
    }

    @Override
    public boolean requiresPostCommitHandling(EntityPersister persister) {
        return false;
    }

    private void write(Row row, Did did, List<Difference> changes) {
        Optional<String> box = box(row);
        String subject = row.text(row.concept().name()).orElse("");
        jdbc.sql("INSERT INTO log_entry (job_id, box_id, concept, action, subject, words, "
                        + "changes, who, at) VALUES (:job, :box, :concept, :action, :subject, :words, "
                        + ":changes, :who, :at)")
                .param("job", job(row, box).orElse(null))
                .param("box", box.orElse(null))
                .param("concept", row.concept().words())
                .param("action", did.name())
                .param("subject", shortened(subject, LONGEST_SUBJECT))
                .param("words", shortened(Difference.words(changes), LONGEST_WORDS))
                .param("changes", json.writeValueAsString(changes))
                .param("who", who())
                .param(
                        "at",
                        LocalDateTime.ofInstant(clock.instant(), ZoneOffset.UTC).truncatedTo(ChronoUnit.MICROS))
                .update();
    }

    private Optional<String> box(Row row) {
        if (row.type().equals("BoxRow")) {
            return Optional.of(row.id().toString());
        }
        if (row.type().equals("FeelRow")) {
            return Optional.of(json.valueToTree(row.id()).path("boxId").asString(""))
                    .filter(id -> !id.isEmpty());
        }
        return row.text("boxId")
                .or(() ->
                        row.text("unitId").flatMap(unit -> found("SELECT box_id FROM bench_unit WHERE id = :id", unit)))
                .or(() -> row.text("credentialId")
                        .flatMap(code -> found(
                                "SELECT u.box_id FROM credential c JOIN bench_unit u ON c.unit_id = u.id WHERE c.id = :id",
                                code)));
    }

    private Optional<String> job(Row row, Optional<String> box) {
        return (row.type().equals("JobRow") ? Optional.of(row.id().toString()) : row.text("jobId"))
                .or(() -> row.text("roomId").flatMap(room -> found("SELECT job_id FROM room WHERE id = :id", room)))
                .or(() -> row.id() instanceof java.util.UUID
                                && row.type().matches("HouseSettingRow|NamingRow|RulesRow|ChecksRow")
                        ? Optional.of(row.id().toString())
                        : Optional.empty())
                .or(() -> box.flatMap(
                        id -> found("SELECT r.job_id FROM box b JOIN room r ON b.room_id = r.id WHERE b.id = :id", id)))
                .or(() ->
                        row.text("unitId").flatMap(unit -> found("SELECT job_id FROM bench_unit WHERE id = :id", unit)))
                .or(() -> row.text("credentialId")
                        .flatMap(code -> found(
                                "SELECT u.job_id FROM credential c JOIN bench_unit u ON c.unit_id = u.id WHERE c.id = :id",
                                code)));
    }

    private Optional<String> found(String sql, String id) {
        return jdbc.sql(sql)
                .param("id", id)
                .query((result, i) -> Optional.ofNullable(result.getString(1)))
                .optional()
                .flatMap(value -> value);
    }

    private String who() {
        Authentication person = SecurityContextHolder.getContext().getAuthentication();
        return person == null
                ? NOBODY
                : found("SELECT display_name FROM account WHERE name = :id", person.getName())
                        .orElse(person.getName());
    }

    private static String shortened(@Nullable String text, int longest) {
        return text == null ? "" : text.length() > longest ? text.substring(0, longest - 1) + "…" : text;
    }
}
