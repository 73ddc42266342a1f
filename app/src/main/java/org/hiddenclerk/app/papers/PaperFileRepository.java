package org.hiddenclerk.app.papers;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface PaperFileRepository extends JpaRepository<PaperFileRow, UUID> {}
