package org.hiddenclerk.app.job.photos;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.fitting.DemandedPhotos;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Photos that belong to boxes. */
@Service
class Photos implements DemandedPhotos {
    private static final int MOST_OF_A_BOX = 12;

    private final PhotoRepository photos;
    private final Boxes boxes;
    private final Clock clock;

    Photos(PhotoRepository photos, Boxes boxes, Clock clock) {
        this.photos = photos;
        this.boxes = boxes;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    List<PhotoRepository.Entry> of(UUID box) {
        return photos.findByBoxIdOrderByTakenAt(boxes.find(box).row().id());
    }

    @Transactional
    PhotoRow add(UUID box, CleanPhoto photo, String who) {
        UUID known = boxes.find(box).row().id();
        if (photos.countByBoxId(known) >= MOST_OF_A_BOX) {
            throw ProblemException.conflict("A box keeps " + MOST_OF_A_BOX + " photos. Take one away first.");
        }
        return photos.save(new PhotoRow(known, photo, who, clock.instant().truncatedTo(ChronoUnit.MICROS)));
    }

    @Override
    @Transactional(readOnly = true)
    public boolean wereTaken(UUID box, Instant since) {
        return photos.existsByBoxIdAndTakenAtGreaterThanEqual(box, since);
    }

    @Transactional(readOnly = true)
    PhotoRow find(UUID photo) {
        return photos.findById(photo).orElseThrow(() -> ProblemException.notFound("photo"));
    }

    @Transactional
    void remove(UUID photo) {
        photos.delete(find(photo));
    }
}
