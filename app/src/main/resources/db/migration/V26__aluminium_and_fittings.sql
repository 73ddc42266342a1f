-- What conductors are of, and whether a stud or hickey takes room in a lamp box; empty where nobody looked.
ALTER TABLE circuit ADD COLUMN metal VARCHAR(10) NULL;
ALTER TABLE box ADD COLUMN support_fittings INT NULL;
