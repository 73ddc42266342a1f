package org.hiddenclerk.app.settings;

import org.springframework.data.jpa.repository.JpaRepository;

interface FirmSettingRepository extends JpaRepository<FirmSettingRow, String> {}
