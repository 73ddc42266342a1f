package org.hiddenclerk.app.stage.joining;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface RecognitionNoteRepository extends JpaRepository<RecognitionNoteRow, UUID> {
    List<RecognitionNoteRow> findByDeviceIdInOrderByMadeAt(Collection<UUID> devices);
}
