package org.hiddenclerk.app.platform.accounts;

import org.springframework.data.jpa.repository.JpaRepository;

interface LoginFailureRepository extends JpaRepository<LoginFailureRow, String> {}
