package org.hiddenclerk.app.stage.firmware;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.core.firmware.Version;
import org.springframework.stereotype.Service;

/** Files of firmware that are kept, each with the sum that was published with it. */
@Service
public class Releases {
    private final ReleaseRepository releases;
    private final Clock clock;

    Releases(ReleaseRepository releases, Clock clock) {
        this.releases = releases;
        this.clock = clock;
    }

    List<ReleaseRow> all() {
        return releases.findAllByOrderByKindAscKeptAtDesc();
    }

    /** Everything that is kept, without the files. */
    List<Release> known() {
        return releases.withoutFiles().stream()
                .map(row -> new Release(
                        (String) row[0],
                        Version.read((String) row[1]).orElseThrow(),
                        (String) row[2],
                        ReleaseRow.featuresOf((String) row[3]),
                        (String) row[4]))
                .toList();
    }

    /** @throws ProblemException when the file's sum is not the one that was published with it, or this version is kept already */
    public void keep(Release release, byte[] file, String who) {
        if (!release.isOf(file)) {
            throw ProblemException.content(
                    "The firmware cannot be kept",
                    new FieldProblem(
                            "/sha256", release.sha256(), "the sum of the file, which is " + Release.sumOf(file)));
        }
        if (releases.findByKindAndVersion(release.kind(), release.version().toString())
                .isPresent()) {
            throw ProblemException.conflict(
                    release.kind() + " " + release.version() + " is kept already; a version never changes its file.");
        }
        releases.saveAndFlush(new ReleaseRow(release, file, who, clock.instant().truncatedTo(ChronoUnit.MICROS)));
    }

    /** The newest stable version of each kind. */
    Map<String, Release> newest() {
        Map<String, Release> newest = new HashMap<>();
        all().stream()
                .map(ReleaseRow::release)
                .filter(r -> r.version().preRelease().isEmpty())
                .forEach(r -> newest.merge(r.kind(), r, (a, b) -> a.version().compareTo(b.version()) >= 0 ? a : b));
        return newest;
    }

    byte[] fileOf(Release release) {
        return releases.findByKindAndVersion(release.kind(), release.version().toString())
                .orElseThrow(() -> ProblemException.conflict(
                        "The file of " + release.kind() + " " + release.version() + " is gone."))
                .file();
    }
}
