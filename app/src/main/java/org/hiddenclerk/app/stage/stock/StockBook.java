package org.hiddenclerk.app.stage.stock;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.ReentrantLock;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.core.catalogue.Catalogue;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/**
 * The stock book as the rules need it. Kept in memory and looked up anew when the book's revision has changed, for which the
 * database is asked at most once a second; whoever changes it here sees the change at once.
 */
@Component
public class StockBook {
    private static final Duration TRUSTED_FOR = Duration.ofSeconds(1);
    private static final String SHIPPED = "shipped with the clerk";

    private final StockItemRepository items;
    private final JsonMapper json;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private final ApplicationEventPublisher events;
    private final ReentrantLock lock = new ReentrantLock();
    private final AtomicLong changes = new AtomicLong();
    private volatile Snapshot kept = Snapshot.NOTHING;

    StockBook(
            StockItemRepository items,
            JsonMapper json,
            Clock clock,
            TransactionTemplate transaction,
            ApplicationEventPublisher events) {
        this.items = items;
        this.json = json;
        this.clock = clock;
        this.transaction = transaction;
        this.events = events;
    }

    /** Something is bought, or not bought any more, or known better. */
    public record StockChanged() {}

    /**
     * The book at one time.
     *
     * @param models  modules that are bought
     * @param onHand  what is on the shelf, modules and accessories, by code
     */
    private record Snapshot(
            String revision,
            Instant asked,
            Catalogue catalogue,
            List<ModuleModel> models,
            Map<String, Integer> onHand,
            List<AccessoryDocument> accessories,
            Map<String, String> suppliers,
            Map<String, String> fingerprints) {
        private static final Snapshot NOTHING = new Snapshot(
                "", Instant.MIN, new Catalogue(List.of()), List.of(), Map.of(), List.of(), Map.of(), Map.of());

        Snapshot askedAt(Instant when) {
            return new Snapshot(revision, when, catalogue, models, onHand, accessories, suppliers, fingerprints);
        }
    }

    /** Every module, those that are no longer bought too. */
    public Catalogue catalogue() {
        return book().catalogue();
    }

    /** Modules that are bought. */
    public List<ModuleModel> models() {
        return book().models();
    }

    public Map<String, Integer> onHand() {
        return book().onHand();
    }

    public List<AccessoryDocument> accessories() {
        return book().accessories();
    }

    /** What the cheapest bypass costs, in cents; empty where no price of one is known. */
    public OptionalInt cheapestBypassCents() {
        return accessories().stream()
                .filter(a -> a.kind() == AccessoryDocument.Kind.BYPASS && a.priceCents() != null)
                .mapToInt(AccessoryDocument::priceCents)
                .min();
    }

    /** Supplier of a module or accessory; empty text where none is named. */
    public String supplierOf(String code) {
        return book().suppliers().getOrDefault(code, "");
    }

    /** Changes whenever something in the book does. */
    public String revision() {
        return book().revision();
    }

    /** The module, or a problem at the pointer. */
    public ModuleModel require(String code, String pointer) {
        return catalogue()
                .find(code)
                .orElseThrow(() -> ProblemException.content(
                        "The choice cannot be kept",
                        new FieldProblem(pointer, code, "the code of a module in the stock book")));
    }

    /** A short text that changes with whatever a verdict on the module depends on, and not with its price. */
    public Optional<String> fingerprint(String code) {
        return Optional.ofNullable(book().fingerprints().get(code));
    }

    /** Forgets what is kept, after a change; it is read anew when that is committed, for others may have asked in between. */
    void changed() {
        forget();
        if (TransactionSynchronizationManager.isSynchronizationActive()) {
            TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
                @Override
                public void afterCommit() {
                    forget();
                    read(clock.instant());
                    events.publishEvent(new StockChanged());
                }

                @Override
                public void afterCompletion(int status) {
                    if (status != STATUS_COMMITTED) {
                        // What was read of the change meanwhile never was.
                        changes.incrementAndGet();
                        kept = Snapshot.NOTHING;
                    }
                }
            });
        } else {
            events.publishEvent(new StockChanged());
        }
    }

    private void forget() {
        changes.incrementAndGet();
        kept = kept.askedAt(Instant.MIN);
        TransactionSynchronizationManager.unbindResourceIfPossible(this);
    }

    private Snapshot book() {
        Instant now = clock.instant();
        Snapshot before = kept;
        if (!before.asked().equals(Instant.MIN)
                && Duration.between(before.asked(), now).compareTo(TRUSTED_FOR) < 0) {
            return before;
        }
        if (TransactionSynchronizationManager.getResource(this) instanceof Snapshot own) {
            return own;
        }
        Snapshot seen = read(now);
        if (TransactionSynchronizationManager.isSynchronizationActive() && !seen.equals(kept)) {
            // What this transaction sees is older than the last change: good for all that asks within it, and for
            // nobody else.
            TransactionSynchronizationManager.bindResource(this, seen);
            TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
                @Override
                public void afterCompletion(int status) {
                    TransactionSynchronizationManager.unbindResourceIfPossible(StockBook.this);
                }
            });
        }
        return seen;
    }

    /** The book as whoever asks may see it; kept for all unless it is older than what was known, or changed meanwhile. */
    private Snapshot read(Instant now) {
        lock.lock();
        try {
            long seen = changes.get();
            Snapshot before = kept;
            String revision = items.revision();
            if (revision.startsWith("0/")) {
                ship();
                revision = items.revision();
            }
            if (isOlder(revision, before.revision())) {
                return read(revision, now);
            }
            Snapshot current = revision.equals(before.revision()) ? before.askedAt(now) : read(revision, now);
            // Changed while it was read: good for this answer, and asked for again at the next.
            kept = changes.get() == seen ? current : current.askedAt(Instant.MIN);
            return current;
        } finally {
            lock.unlock();
        }
    }

    /** Items are never taken out, and every change counts one up. */
    private static boolean isOlder(String revision, String known) {
        return !known.isEmpty() && changesIn(revision) < changesIn(known);
    }

    private static long changesIn(String revision) {
        String[] parts = revision.split("/", 3);
        return Long.parseLong(parts[0]) + Long.parseLong(parts[1]);
    }

    private Snapshot read(String revision, Instant now) {
        List<ModuleModel> all = new ArrayList<>();
        List<ModuleModel> bought = new ArrayList<>();
        Map<String, Integer> onHand = new LinkedHashMap<>();
        List<AccessoryDocument> accessories = new ArrayList<>();
        Map<String, String> suppliers = new LinkedHashMap<>();
        Map<String, String> fingerprints = new LinkedHashMap<>();
        for (StockItemRow row : items.findAll(org.springframework.data.domain.Sort.by("code"))) {
            onHand.put(row.code(), row.onHand());
            if (row.kind() == StockItemRow.Kind.MODULE) {
                ModuleDocument document = json.readValue(row.document(), ModuleDocument.class);
                ModuleModel model = document.toModel();
                all.add(model);
                fingerprints.put(row.code(), fingerprint(document));
                if (!row.retired()) {
                    bought.add(model);
                }
                suppliers.put(row.code(), document.supplier() == null ? "" : document.supplier());
            } else {
                AccessoryDocument document = json.readValue(row.document(), AccessoryDocument.class);
                accessories.add(document);
                suppliers.put(row.code(), document.supplier() == null ? "" : document.supplier());
            }
        }
        return new Snapshot(
                revision,
                now,
                new Catalogue(all),
                List.copyOf(bought),
                Map.copyOf(onHand),
                List.copyOf(accessories),
                Map.copyOf(suppliers),
                Map.copyOf(fingerprints));
    }

    private String fingerprint(ModuleDocument document) {
        return UUID.nameUUIDFromBytes(
                        json.writeValueAsString(document.withoutTrade()).getBytes(StandardCharsets.UTF_8))
                .toString();
    }

    /** Fills an empty book with what ships. */
    private void ship() {
        List<ModuleDocument> modules = List.of(shipped("modules.json", ModuleDocument[].class));
        List<AccessoryDocument> accessories = List.of(shipped("accessories.json", AccessoryDocument[].class));
        Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
        transaction.executeWithoutResult(status -> {
            if (items.count() == 0) {
                modules.forEach(m -> items.save(new StockItemRow(
                        m.code(), StockItemRow.Kind.MODULE, json.writeValueAsString(m), 0, SHIPPED, now)));
                accessories.forEach(a -> items.save(new StockItemRow(
                        a.code(), StockItemRow.Kind.ACCESSORY, json.writeValueAsString(a), 0, SHIPPED, now)));
            }
        });
    }

    private <T> T shipped(String name, Class<T> type) {
        try (InputStream source = StockBook.class.getResourceAsStream("/stock/" + name)) {
            return json.readValue(source, type);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
