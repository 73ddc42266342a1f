package org.hiddenclerk.app.job.logbook;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What rows of a kind are to people.
 *
 * @param words  what it is called in the log
 * @param name   property that tells one from another; empty where the box says enough
 * @param hidden properties that nobody needs to read: counters, keys, secrets, pictures
 */
record AuditedEntity(String words, String name, Set<String> hidden) {
    /** Properties of every row that tell the same as the entry itself. */
    private static final Set<String> SELF = Set.of(
            "id",
            "version",
            "jobId",
            "roomId",
            "boxId",
            "changedBy",
            "changedAt",
            "createdAt",
            "madeBy",
            "madeAt",
            "sentKey",
            "previous");

    /** By the class of the row. */
    static final Map<String, AuditedEntity> LOGGED = logged();

    /** Rows whose changes are not told here: people and keys have a log of their own, the rest can be made again or is a log itself. */
    static final Set<String> NOT_LOGGED = Set.of(
            "AccountRow",
            "ApiTokenRow",
            "InvitationRow",
            "GuestLinkRow",
            "LoginFailureRow",
            "PracticeRow",
            "JoinWindowRow",
            "JoinRunRow",
            "RecognitionNoteRow",
            "RolloutEventRow",
            "ReleaseRow",
            "PaperRow",
            "PaperFileRow",
            "DayPlanRow");

    private static Map<String, AuditedEntity> logged() {
        Map<String, AuditedEntity> all = new LinkedHashMap<>();
        all.put("JobRow", of("job", "name"));
        all.put("RoomRow", of("room", "name"));
        all.put("CircuitRow", of("circuit", "label"));
        all.put("BoxRow", of("box", "label"));
        all.put("PhotoRow", of("photo", "", "jpeg"));
        all.put("TraceReadingRow", of("reading", "core"));
        all.put("AcceptedHoldRow", of("accepted hold", "subject"));
        all.put("IssuedPlanRow", of("issued plan", "", "survey", "picks", "neighbours", "modules", "boxVersion"));
        all.put("RunSheetRow", of("run sheet", "", "planId"));
        all.put("RefusedEntryRow", of("refused entry", "stepId"));
        all.put("FoundOtherwiseRow", of("found otherwise", "words"));
        all.put("LockRow", of("lock", "person", "circuitId"));
        all.put("HouseSettingRow", of("settings of the house", ""));
        all.put("HouseChoiceRow", of("choice for the house", "name", "request", "result", "words"));
        all.put("GoodsInRow", of("goods in", "code"));
        all.put("NamingRow", of("naming", ""));
        all.put("BenchUnitRow", of("module", "serial"));
        all.put(
                "CredentialRow",
                of(
                        "code of a module",
                        "kind",
                        "sealed",
                        "nonce",
                        "print",
                        "keyNo",
                        "dataKey",
                        "masked",
                        "facts",
                        "unitId"));
        all.put("ShowingRow", of("showing of a code", "why", "credentialId"));
        all.put("JoinedDeviceRow", of("device in the network", "name", "channelsOn", "flippedAt", "unitId"));
        all.put("RolloutRow", of("firmware roll-out", "words", "plan"));
        all.put("FeelRow", of("switch input", "key", "gang", "inputNumber", "channelNumber"));
        all.put("RulesRow", of("links and rules", ""));
        all.put("ChecksRow", of("checks of the house", ""));
        all.put("HandoverEntryRow", of("test", "test", "basis"));
        all.put("HandedOverRow", of("hand over", "givenTo"));
        all.put("BrokerAccountRow", of("account at the broker", "userName", "passwordHash"));
        all.put("StockItemRow", of("stock item", "code"));
        all.put("FirmSettingRow", of("settings of the firm", "name"));
        return Map.copyOf(all);
    }

    private static AuditedEntity of(String words, String name, String... hidden) {
        return new AuditedEntity(words, name, Set.copyOf(List.of(hidden)));
    }

    boolean shows(String property) {
        return !SELF.contains(property) && !hidden.contains(property);
    }
}
