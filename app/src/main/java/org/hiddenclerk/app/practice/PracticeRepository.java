package org.hiddenclerk.app.practice;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface PracticeRepository extends JpaRepository<PracticeRow, UUID> {
    List<PracticeRow> findByLearnerOrderByStartedAtDesc(String learner, Limit limit);

    Optional<PracticeRow> findByIdAndLearner(UUID id, String learner);
}
