package org.hiddenclerk.app.house;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface JobRepository extends JpaRepository<JobRow, UUID> {
    List<JobRow> findAllByOrderByCreatedAt();

    @Query("select count(b) from BoxRow b, RoomRow r where b.roomId = r.id and r.jobId = :job")
    long countBoxes(UUID job);
}
