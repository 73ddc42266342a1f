package org.hiddenclerk.app.stage.live;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface ChecksRepository extends JpaRepository<ChecksRow, UUID> {}
