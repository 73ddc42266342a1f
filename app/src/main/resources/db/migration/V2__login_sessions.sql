-- Login sessions as Spring Session keeps them, so that a login outlives the process and any node serves it.
CREATE TABLE login_session (
    primary_id            CHAR(36) NOT NULL PRIMARY KEY,
    session_id            CHAR(36) NOT NULL,
    creation_time         BIGINT   NOT NULL,
    last_access_time      BIGINT   NOT NULL,
    max_inactive_interval INT      NOT NULL,
    expiry_time           BIGINT   NOT NULL,
    principal_name        VARCHAR(100),
    CONSTRAINT login_session_id UNIQUE (session_id),
    INDEX login_session_expiry (expiry_time),
    INDEX login_session_principal (principal_name)
);

-- The library appends _ATTRIBUTES in capitals, and table names are case-sensitive here.
CREATE TABLE login_session_ATTRIBUTES (
    session_primary_id CHAR(36)     NOT NULL,
    attribute_name     VARCHAR(200) NOT NULL,
    attribute_bytes    LONGBLOB     NOT NULL,
    PRIMARY KEY (session_primary_id, attribute_name),
    CONSTRAINT login_session_attributes_session FOREIGN KEY (session_primary_id)
        REFERENCES login_session (primary_id) ON DELETE CASCADE
);
