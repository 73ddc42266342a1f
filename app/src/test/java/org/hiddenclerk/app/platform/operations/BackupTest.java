package org.hiddenclerk.app.platform.operations;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicBoolean;
import org.awaitility.Awaitility;
import org.flywaydb.core.Flyway;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.TestDatabase;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.web.servlet.MockMvc;

/** The scripts that save and restore, on the database of the tests. */
@WithDatabase
class BackupTest {
    private static final String OTHER = "clerk_back";

    @Autowired
    private MockMvc mvc;

    @Autowired
    private JdbcTemplate database;

    @TempDir
    private Path place;

    private record Done(int code, String words) {}

    private Done run(String name, Map<String, String> more, String... arguments)
            throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(
                List.of("bash", TestDatabase.root().resolve("scripts/backup.sh").toString()));
        command.addAll(List.of(arguments));
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.environment().putAll(TestDatabase.get().forScripts());
        builder.environment().put("DB_NAME", name);
        // Every machine has this locale; of one that it has not a shell complains before it does anything.
        builder.environment().put("LC_ALL", "C");
        builder.environment().putAll(more);
        Process process = builder.start();
        String words = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return new Done(process.waitFor(), words);
    }

    private Path saved(String name, Map<String, String> more, String... options)
            throws IOException, InterruptedException {
        List<String> arguments = new ArrayList<>(List.of("backup", place.toString()));
        arguments.addAll(List.of(options));
        Done done = run(name, more, arguments.toArray(String[]::new));
        assertThat(done.code()).as(done.words()).isZero();
        return Path.of(done.words()
                .lines()
                .filter(line -> line.startsWith(place.toString()))
                .findFirst()
                .orElseThrow());
    }

    @AfterEach
    void drop() {
        TestDatabase.get()
                .asRoot("SELECT schema_name FROM information_schema.schemata WHERE schema_name LIKE 'clerk\\_%'")
                .lines()
                .forEach(name -> TestDatabase.get().asRoot("DROP DATABASE `" + name + "`"));
    }

    @Test
    void itIsOfOneMomentWhileTheClerkIsWorkedWith() throws Exception {
        SmallHouse house = new SmallHouse(new Person(mvc));
        AtomicBoolean over = new AtomicBoolean();
        Thread working = new Thread(() -> {
            for (int i = 0; !over.get(); i++) {
                house.box("BK-" + i);
            }
        });
        working.start();
        Awaitility.await()
                .atMost(Duration.ofSeconds(60))
                .until(() -> number("SELECT COUNT(*) FROM clerk.box WHERE label LIKE 'BK-%'") >= 3);
        Path file = saved("clerk", Map.of());
        over.set(true);
        working.join();
        assertThat(Files.getPosixFilePermissions(file)).hasSize(2);
        assertThat(run("clerk", Map.of(), "verify", file.toString()).code()).isZero();
        Done restored = run(OTHER, Map.of(), "restore", file.toString());
        assertThat(restored.code()).as(restored.words()).isZero();
        long boxes = number("SELECT COUNT(*) FROM " + OTHER + ".box WHERE label LIKE 'BK-%'");
        assertThat(boxes)
                .isPositive()
                .isLessThanOrEqualTo(number("SELECT COUNT(*) FROM clerk.box WHERE label LIKE 'BK-%'"));
        assertThat(number("SELECT COUNT(*) FROM " + OTHER + ".log_entry e JOIN " + OTHER
                        + ".box b ON e.box_id = b.id WHERE b.label LIKE 'BK-%' AND e.concept = 'box' AND "
                        + "e.action = 'ADDED'"))
                .as("a box and its line in the log are of one transaction")
                .isEqualTo(boxes);
    }

    @Test
    void anEncryptedOneCarriesTheKeysAndOpensWithItsPassphraseOnly() throws Exception {
        Path keys = Files.writeString(place.resolve("keys"), "0 AAAA\n1 BBBB\n");
        Map<String, String> secret =
                Map.of("CLERK_BACKUP_PASSPHRASE", "bark mill and nine kettles", "KEY_FILE", keys.toString());
        Path file = saved("clerk", secret, "--encrypt");
        assertThat(file.toString()).endsWith(".gpg");
        assertThat(new String(Files.readAllBytes(file), StandardCharsets.ISO_8859_1))
                .doesNotContain("Tannery", "CREATE TABLE");
        Done wrong = run(OTHER, Map.of("CLERK_BACKUP_PASSPHRASE", "another"), "restore", file.toString());
        assertThat(wrong.code()).isEqualTo(1);
        assertThat(wrong.words()).contains("another passphrase");
        byte[] bytes = Files.readAllBytes(file);
        bytes[bytes.length / 2] ^= 1;
        Path changed = Files.write(place.resolve("changed.tar.gz.gpg"), bytes);
        assertThat(run(OTHER, secret, "restore", changed.toString()).code())
                .as("one bit of it")
                .isEqualTo(1);
        assertThat(number("SELECT COUNT(*) FROM information_schema.schemata WHERE schema_name LIKE 'clerk\\_%'"))
                .as("nothing was begun")
                .isZero();
        Path back = place.resolve("keys-back");
        assertThat(run(
                                OTHER,
                                Map.of(
                                        "CLERK_BACKUP_PASSPHRASE",
                                        "bark mill and nine kettles",
                                        "KEY_FILE",
                                        back.toString()),
                                "restore",
                                file.toString())
                        .code())
                .isZero();
        assertThat(Files.readString(back)).isEqualTo("0 AAAA\n1 BBBB\n");
    }

    @Test
    void whatWasThereIsKeptAndOldBackupsGo() throws Exception {
        Path file = saved("clerk", Map.of(), "--keep", "2");
        assertThat(run(OTHER, Map.of(), "restore", file.toString()).code()).isZero();
        TestDatabase.get().asRoot("UPDATE " + OTHER + ".job SET name = CONCAT(name, ' later')");
        Done again = run(OTHER, Map.of(), "restore", file.toString());
        assertThat(again.words()).contains("is kept as the database " + OTHER + "_before_");
        assertThat(number("SELECT COUNT(*) FROM " + OTHER + ".job WHERE name LIKE '% later'"))
                .isZero();
        String before = TestDatabase.get()
                .asRoot(
                        "SELECT schema_name FROM information_schema.schemata WHERE schema_name LIKE 'clerk\\_back\\_before%'")
                .strip();
        assertThat(number("SELECT COUNT(*) FROM `" + before + "`.job WHERE name LIKE '% later'"))
                .isPositive();
        for (int i = 0; i < 2; i++) {
            Thread.sleep(1_000);
            saved("clerk", Map.of(), "--keep", "2");
        }
        try (var files = Files.list(place)) {
            assertThat(files).hasSize(2).doesNotContain(file);
        }
    }

    /** Tables as they were at a version of before, restored and brought up by the migrations, are as new ones. */
    @Test
    void anOlderOneIsBroughtUpToDate() throws Exception {
        TestDatabase.get()
                .asRoot("CREATE DATABASE clerk_old CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci; "
                        + "GRANT ALL ON clerk_old.* TO 'clerk'@'127.0.0.1'");
        flyway("clerk_old").target("15").load().migrate();
        TestDatabase.get()
                .asRoot("INSERT INTO clerk_old.job (id, version, name, place, region, created_at) VALUES "
                        + "(UUID(), 0, 'Old Weir', '', 'EU_230', UTC_TIMESTAMP(6));"
                        + "INSERT INTO clerk_old.account (id, name, display_name, password_hash, role, "
                        + "created_at) VALUES (UUID(), 'vane', 'R. Vane', 'x', 'OWNER', UTC_TIMESTAMP(6));"
                        + "INSERT INTO clerk_old.api_token (id, account_id, hash, label, created_at) "
                        + "SELECT UUID(), id, REPEAT('a', 64), 'old', UTC_TIMESTAMP(6) FROM " + "clerk_old.account");
        Path file = saved("clerk_old", Map.of());
        assertThat(run(OTHER, Map.of(), "restore", file.toString()).words()).contains("tables of version 15");
        flyway(OTHER).load().migrate();
        assertThat(columns(OTHER)).isEqualTo(columns("clerk"));
        assertThat(number("SELECT COUNT(*) FROM " + OTHER + ".job WHERE name = 'Old Weir'"))
                .isEqualTo(1);
        assertThat(number("SELECT COUNT(*) FROM " + OTHER
                        + ".api_token WHERE scopes = 'READ,WORK,FIRM,CODES' AND expires_at > UTC_TIMESTAMP(6)"))
                .isEqualTo(1);
    }

    private static org.flywaydb.core.api.configuration.FluentConfiguration flyway(String name) {
        return Flyway.configure()
                .dataSource(TestDatabase.get().url().replaceAll("/clerk$", "/" + name), "clerk", "clerk-local-only")
                .locations("classpath:db/migration");
    }

    private static String columns(String name) {
        return TestDatabase.get()
                .asRoot("SELECT table_name, column_name, column_type, is_nullable, "
                        + "COALESCE(column_default, '-') FROM information_schema.columns WHERE " + "table_schema = '"
                        + name + "' ORDER BY 1, 2");
    }

    @Test
    void oneOfANewerClerkIsRefused() throws Exception {
        TestDatabase.get()
                .asRoot("CREATE DATABASE clerk_new; CREATE TABLE clerk_new.flyway_schema_history "
                        + "(version VARCHAR(50), success BOOLEAN); INSERT INTO "
                        + "clerk_new.flyway_schema_history VALUES" + " ('9000', 1)");
        Path file = saved("clerk_new", Map.of());
        Done refused = run(OTHER, Map.of(), "restore", file.toString());
        assertThat(refused.code()).isEqualTo(1);
        assertThat(refused.words()).contains("newer clerk");
        assertThat(run(OTHER, Map.of(), "restore", place.resolve("nothing").toString())
                        .words())
                .contains("There is no file");
        Path other = Files.writeString(place.resolve("other.tar.gz"), "not one");
        assertThat(run(OTHER, Map.of(), "restore", other.toString()).words()).contains("no backup of the clerk");
    }

    private Done upgrade(String what) throws IOException, InterruptedException {
        return run("clerk_up", Map.of(), what, place.toString());
    }

    /** Cut off in the middle: what was there before is put back. Come to its end: nothing is, whatever became of the marker. */
    @Test
    void anUpgradeThatWasCutOffIsPutBackAndOneThatCameToItsEndIsNot() throws Exception {
        TestDatabase.get()
                .asRoot("CREATE DATABASE clerk_up CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci; "
                        + "GRANT ALL ON clerk_up.* TO 'clerk'@'127.0.0.1'");
        assertThat(upgrade("before-upgrade").code()).isZero();
        flyway("clerk_up").target("3").load().migrate();
        assertThat(upgrade("before-upgrade").words()).contains("first start was cut off");
        assertThat(TestDatabase.get().asRoot("SHOW TABLES FROM clerk_up")).isEmpty();
        flyway("clerk_up").target("15").load().migrate();
        assertThat(upgrade("after-upgrade").code()).isZero();
        String job = "INSERT INTO clerk_up.job (id, version, name, place, region, created_at) VALUES "
                + "(UUID(), 0, '%s', '', 'EU_230', UTC_TIMESTAMP(6))";
        TestDatabase.get().asRoot(job.formatted("Before"));

        assertThat(upgrade("before-upgrade").words()).contains("Tables of version 15 become");
        flyway("clerk_up").target("18").load().migrate();
        TestDatabase.get().asRoot("CREATE TABLE clerk_up.half_of_a_migration (id INT)");
        assertThat(upgrade("before-upgrade").words()).contains("was put back");
        assertThat(TestDatabase.get().asRoot("SHOW TABLES FROM clerk_up")).doesNotContain("half_of_a_migration");
        assertThat(number("SELECT MAX(CAST(version AS UNSIGNED)) FROM clerk_up.flyway_schema_history"))
                .isEqualTo(15);

        flyway("clerk_up").load().migrate();
        TestDatabase.get()
                .asRoot("INSERT INTO clerk_up.job (id, version, name, place, region, created_at, "
                        + "contact) VALUES (UUID(), 0, 'Worked on since', '', 'EU_230', UTC_TIMESTAMP(6), " + "'')");
        assertThat(place.resolve("upgrade-of-clerk_up"))
                .as("the start was broken off before it could say that it is over")
                .exists();
        assertThat(upgrade("before-upgrade").words()).isEmpty();
        assertThat(TestDatabase.get()
                        .asRoot("SELECT name FROM clerk_up.job ORDER BY name")
                        .lines())
                .containsExactly("Before", "Worked on since");
        assertThat(place.resolve("upgrade-of-clerk_up")).doesNotExist();
    }

    private long number(String sql) {
        return Long.parseLong(TestDatabase.get().asRoot(sql).strip());
    }
}
