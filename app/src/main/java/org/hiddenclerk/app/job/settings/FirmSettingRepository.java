package org.hiddenclerk.app.job.settings;

import org.springframework.data.jpa.repository.JpaRepository;

interface FirmSettingRepository extends JpaRepository<FirmSettingRow, String> {}
