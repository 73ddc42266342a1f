package org.hiddenclerk.app.job.exchange;

import java.util.List;
import java.util.Set;

/**
 * A table whose rows belong to a job.
 *
 * @param table as the database calls it
 * @param where which of its rows: a condition with {@code :job}
 * @param key   columns that tell its rows apart, in the order in which they are written
 * @param fate  whether it goes into the file
 */
record JobPart(String table, String where, List<String> key, Fate fate) {
    /** Rows that are numbered by the database: their order is kept, their numbers are not. */
    private static final Set<String> NUMBERED = Set.of("log_entry");

    /** What happens to rows when a job is written as a file. */
    enum Fate {
        KEPT,
        /** Can be made again, or holds for a moment only. */
        LEFT_OUT
    }

    private static final String OF_JOB = "job_id = :job";
    private static final String OF_ROOM = "room_id IN (SELECT id FROM room WHERE job_id = :job)";
    private static final String BOXES =
            "(SELECT b.id FROM box b JOIN room r ON b.room_id = r.id WHERE r.job_id = :job)";
    private static final String OF_BOX = "box_id IN " + BOXES;
    private static final String UNITS = "(SELECT id FROM bench_unit WHERE job_id = :job)";

    /** Every part, each after those that it refers to. */
    static final List<JobPart> ALL = List.of(
            kept("job", "id = :job", "id"),
            kept("room", OF_JOB, "id"),
            kept("circuit", OF_JOB, "id"),
            kept("box", OF_ROOM, "id"),
            kept("gang", OF_BOX, "box_id", "position"),
            kept("box_load", OF_BOX, "box_id", "position"),
            kept("box_cable", OF_BOX, "box_id", "position"),
            kept("box_core", OF_BOX, "box_id", "position"),
            kept("box_jumper", OF_BOX, "box_id", "position"),
            kept("box_pick", OF_BOX, "box_id", "position"),
            kept("box_photo", OF_BOX, "id"),
            kept("trace_reading", OF_BOX, "id"),
            kept("accepted_hold", OF_BOX, "id"),
            kept("issued_plan", OF_BOX, "id"),
            kept(
                    "issued_plan_box",
                    "plan_id IN (SELECT id FROM issued_plan WHERE " + OF_BOX + ")",
                    "plan_id",
                    "position"),
            kept("run_sheet", OF_BOX, "id"),
            kept(
                    "run_sheet_entry",
                    "run_sheet_id IN (SELECT id FROM run_sheet WHERE " + OF_BOX + ")",
                    "run_sheet_id",
                    "position"),
            kept("refused_entry", OF_BOX, "id"),
            kept("found_otherwise", OF_BOX, "id"),
            kept("circuit_lock", OF_BOX, "id"),
            kept("house_setting", OF_JOB, "job_id"),
            kept("house_choice", OF_JOB, "id"),
            kept("goods_in", OF_JOB, "id"),
            kept("naming", OF_JOB, "job_id"),
            kept("bench_unit", OF_JOB, "id"),
            kept("bench_mark", "unit_id IN " + UNITS, "unit_id", "place"),
            kept("credential", "unit_id IN " + UNITS, "id"),
            kept(
                    "credential_showing",
                    "credential_id IN (SELECT id FROM credential WHERE unit_id IN " + UNITS + ")",
                    "id"),
            kept("joined_device", OF_JOB, "id"),
            kept("recognition_note", "device_id IN (SELECT id FROM joined_device WHERE job_id = :job)", "id"),
            kept("join_run", OF_JOB, "id"),
            kept("rollout", OF_JOB, "id"),
            kept("rollout_event", "rollout_id IN (SELECT id FROM rollout WHERE job_id = :job)", "rollout_id", "place"),
            kept("day_plan", OF_JOB, "job_id"),
            kept("feel", OF_BOX, "box_id", "input_key"),
            kept("house_rules", OF_JOB, "job_id"),
            kept("house_checks", OF_JOB, "job_id"),
            kept("handover_entry", OF_JOB, "id"),
            kept("handed_over", OF_JOB, "id"),
            kept("log_entry", OF_JOB, "id"),
            leftOut("box_finding", OF_BOX, "box_id"),
            leftOut("join_window", OF_JOB, "job_id", "protocol"),
            leftOut("site_hold", OF_JOB, "job_id"),
            leftOut("broker_account", OF_JOB, "id"),
            leftOut("paper", OF_JOB, "id"),
            leftOut("paper_file", "paper_id IN (SELECT id FROM paper WHERE job_id = :job)", "paper_id"));

    /** Tables of the firm and of its people. */
    static final Set<String> OF_NO_JOB = Set.of(
            "lease",
            "house_read_anew",
            "account",
            "recovery_code",
            "assignment",
            "invitation",
            "guest_link",
            "api_token",
            "login_failure",
            "login_session",
            "login_session_ATTRIBUTES",
            "practice_run",
            "stock_item",
            "firm_setting",
            "firmware_release",
            "flyway_schema_history");

    private static JobPart kept(String table, String where, String... key) {
        return new JobPart(table, where, List.of(key), Fate.KEPT);
    }

    private static JobPart leftOut(String table, String where, String... key) {
        return new JobPart(table, where, List.of(key), Fate.LEFT_OUT);
    }

    boolean isNumbered() {
        return NUMBERED.contains(table);
    }

    boolean isKept() {
        return fate == Fate.KEPT;
    }
}
