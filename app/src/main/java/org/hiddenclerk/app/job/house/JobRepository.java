package org.hiddenclerk.app.job.house;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

public interface JobRepository extends JpaRepository<JobRow, UUID> {
    List<JobRow> findAllByOrderByCreatedAt();

    /** Boxes of a job that has any. */
    record BoxCount(UUID job, long boxes) {}

    @Query("select r.jobId, count(b) from BoxRow b, RoomRow r where b.roomId = r.id group by r.jobId")
    List<BoxCount> countBoxes();
}
