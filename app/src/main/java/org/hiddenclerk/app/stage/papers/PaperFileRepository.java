package org.hiddenclerk.app.stage.papers;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface PaperFileRepository extends JpaRepository<PaperFileRow, UUID> {}
