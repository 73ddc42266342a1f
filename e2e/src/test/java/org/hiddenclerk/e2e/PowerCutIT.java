package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The application killed in the middle of saves: the box is as it was before or after, never between. */
class PowerCutIT {
    private static final int ROUNDS = 4;
    private static final Pattern LABEL = Pattern.compile("\"label\":\"(B-\\d+)\"");

    private final RunningClerk clerk = RunningClerk.get();
    private final Caller caller = new Caller(clerk);

    @Deep
    @Test
    void aKillDuringASaveLeavesTheBoxBeforeOrAfter() throws Exception {
        Random random = new Random(20260302);
        caller.logIn();
        String box = anyBox();
        for (int round = 0; round < ROUNDS; round++) {
            String survey = caller.get("/api/v1/boxes/" + box + "/survey");
            String document = survey.substring(survey.indexOf("\"survey\":{") + 9, survey.indexOf(",\"verdict\""));
            String version = survey.replaceAll("(?s).*\"version\":(\\d+),\"changedBy.*", "$1");
            String before = label(document);
            String after = "B-" + (500 + round);
            String changed = document.replace("\"label\":\"" + before + "\"", "\"label\":\"" + after + "\"")
                    .replaceAll("\"name\":\"Passage bank[^\"]*\"", "\"name\":\"Passage bank " + after + "\"");

            CompletableFuture<HttpResponse<String>> save = caller.putSoon(
                    "/api/v1/boxes/" + box + "/survey", "{\"version\":" + version + ",\"survey\":" + changed + "}");
            Thread.sleep(random.nextInt(60));
            clerk.kill();
            boolean acknowledged = save.handle((response, error) -> error == null && response.statusCode() == 200)
                    .get();
            clerk.start();

            assertThat(caller.get("/api/v1/session"))
                    .as("the login outlives the process")
                    .contains("\"loggedIn\":true");

            String now = caller.get("/api/v1/boxes/" + box + "/survey");
            String label = label(now.substring(now.indexOf("\"survey\":{")));
            boolean gangChanged = now.contains("Passage bank " + after);
            assertThat(label).isIn(before, after);
            assertThat(gangChanged).as("label and gang change together").isEqualTo(label.equals(after));
            if (acknowledged) {
                assertThat(label).as("what was acknowledged stays").isEqualTo(after);
            }
        }
    }

    @Test
    void aLoginGivesANewSessionThatScriptsCannotReadAndOtherSitesCannotUse() throws Exception {
        String first = caller.logIn();
        String second = caller.logIn();

        assertThat(first).contains("HttpOnly", "SameSite=Strict");
        assertThat(valueOf(second)).isNotEqualTo(valueOf(first));
    }

    private static String valueOf(String setCookie) {
        return setCookie.replaceAll("^clerk-session=([^;]+);.*", "$1");
    }

    private String anyBox() throws IOException, InterruptedException {
        Matcher job = Pattern.compile("\"id\":\"([0-9a-f-]+)\",\"name\":\"Tannery House\"")
                .matcher(caller.get("/api/v1/jobs"));
        assertThat(job.find()).isTrue();
        Matcher box = Pattern.compile(
                        "\"id\":\"([0-9a-f-]+)\",\"version\":\\d+,\"roomId\":\"[0-9a-f-]+\",\"label\":\"B-03\"")
                .matcher(caller.get("/api/v1/jobs/" + job.group(1)));
        List<String> found = new ArrayList<>();
        while (box.find()) {
            found.add(box.group(1));
        }
        assertThat(found).hasSize(1);
        return found.get(0);
    }

    private static String label(String document) {
        Matcher matcher = LABEL.matcher(document);
        assertThat(matcher.find()).as(document).isTrue();
        return matcher.group(1);
    }
}
