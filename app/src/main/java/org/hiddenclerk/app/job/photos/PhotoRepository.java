package org.hiddenclerk.app.job.photos;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface PhotoRepository extends JpaRepository<PhotoRow, UUID> {
    /** A photo without its content. */
    interface Entry {
        UUID getId();

        int getWidth();

        int getHeight();

        String getTakenBy();

        java.time.Instant getTakenAt();
    }

    List<Entry> findByBoxIdOrderByTakenAt(UUID box);

    long countByBoxId(UUID box);

    boolean existsByBoxIdAndTakenAtGreaterThanEqual(UUID box, java.time.Instant since);
}
