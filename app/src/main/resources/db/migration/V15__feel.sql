-- What is wanted of a switch input of a box's plan: of the gang that it reads, and by number of input and channel of the module picked for that.
CREATE TABLE feel (
    box_id      UUID         NOT NULL,
    input_key   VARCHAR(20)  NOT NULL,
    version     BIGINT       NOT NULL,
    document    LONGTEXT     NOT NULL CHECK (JSON_VALID(document)),
    gang        INT          NOT NULL,
    input       INT          NOT NULL,
    channel     INT          NOT NULL,
    held        BOOLEAN      NOT NULL,
    changed_by  VARCHAR(120) NOT NULL,
    changed_at  DATETIME(6)  NOT NULL,
    PRIMARY KEY (box_id, input_key),
    CONSTRAINT feel_box FOREIGN KEY (box_id) REFERENCES box (id)
);
