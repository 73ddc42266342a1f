package org.hiddenclerk.app.accounts;

import org.springframework.data.jpa.repository.JpaRepository;

interface LoginFailureRepository extends JpaRepository<LoginFailureRow, String> {}
