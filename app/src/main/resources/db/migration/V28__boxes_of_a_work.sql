-- A plan over several boxes is one piece of work: it is known at every box that it opens. Of plans that are older only the box that they were issued at is known.
CREATE TABLE issued_plan_box (
    plan_id  UUID NOT NULL,
    position INT  NOT NULL,
    box_id   UUID NOT NULL,
    PRIMARY KEY (plan_id, position),
    INDEX issued_plan_box_box (box_id),
    CONSTRAINT issued_plan_box_plan FOREIGN KEY (plan_id) REFERENCES issued_plan (id),
    CONSTRAINT issued_plan_box_opened FOREIGN KEY (box_id) REFERENCES box (id)
);
INSERT INTO issued_plan_box (plan_id, position, box_id) SELECT id, 0, box_id FROM issued_plan;
