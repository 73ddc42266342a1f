package org.hiddenclerk.app.stage.rules;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface RulesRepository extends JpaRepository<RulesRow, UUID> {}
