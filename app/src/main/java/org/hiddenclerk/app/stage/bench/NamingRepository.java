package org.hiddenclerk.app.stage.bench;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface NamingRepository extends JpaRepository<NamingRow, UUID> {}
