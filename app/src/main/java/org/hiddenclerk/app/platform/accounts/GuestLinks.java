package org.hiddenclerk.app.platform.accounts;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Links for households: shown once, kept as a hash, good for some days. */
@Service
class GuestLinks {
    static final int LONGEST_DAYS = 366;
    private static final String PREFIX = "visit_";

    private final GuestLinkRepository links;
    private final Clock clock;

    GuestLinks(GuestLinkRepository links, Clock clock) {
        this.links = links;
        this.clock = clock;
    }

    @Transactional
    public ShownOnce make(UUID job, String label, int days, String who) {
        String text = Secrets.fresh(PREFIX);
        Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
        GuestLinkRow row =
                links.save(new GuestLinkRow(job, Secrets.hash(text), label, who, now, now.plus(Duration.ofDays(days))));
        return new ShownOnce(row.id(), text, row.expiresAt());
    }

    /** The link that this text opens, as long as it is good. */
    @Transactional(readOnly = true)
    public Optional<GuestLinkRow> opened(String text) {
        return links.findByHash(Secrets.hash(text)).filter(link -> link.isGoodAt(clock.instant()));
    }

    @Transactional(readOnly = true)
    public Optional<GuestLinkRow> link(UUID id) {
        return links.findById(id).filter(link -> link.isGoodAt(clock.instant()));
    }

    @Transactional(readOnly = true)
    public List<GuestLinkRow> of(UUID job) {
        return links.findByJobIdOrderByCreatedAt(job).stream()
                .filter(link -> link.isGoodAt(clock.instant()))
                .toList();
    }

    @Transactional
    public void revoke(UUID job, UUID id) {
        links.findById(id)
                .filter(link -> link.jobId().equals(job))
                .orElseThrow(() -> ProblemException.notFound("link"))
                .revoke(clock.instant());
    }
}
