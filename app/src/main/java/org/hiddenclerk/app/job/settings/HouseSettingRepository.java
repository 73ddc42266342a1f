package org.hiddenclerk.app.job.settings;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface HouseSettingRepository extends JpaRepository<HouseSettingRow, UUID> {}
