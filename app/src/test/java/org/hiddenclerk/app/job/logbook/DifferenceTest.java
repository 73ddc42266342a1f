package org.hiddenclerk.app.job.logbook;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What changed, leaf by leaf, as it is told in the log. */
class DifferenceTest {
    private static List<String> told(String name, Object before, Object after) {
        return Difference.between(name, before, after).stream()
                .map(each -> each.field() + ": " + each.before() + " > " + each.after())
                .toList();
    }

    @Test
    void nothingIsToldOfWhatIsTheSame() {
        assertThat(told("document", "{\"a\":1,\"b\":[1,2]}", "{\"b\":[1,2],\"a\":1}"))
                .as("in another order")
                .isEmpty();
        assertThat(told("label", "B-1", "B-1")).isEmpty();
        assertThat(told("label", null, null)).isEmpty();
    }

    @Test
    void leavesAreToldByWhereTheyStand() {
        assertThat(told(
                        "document",
                        "{\"loads\":[{\"typed\":\"LED 7\"},{\"typed\":\"fan 38\"}]}",
                        "{\"loads\":[{\"typed\":\"LED 9\"},{\"typed\":\"fan 38\"}]}"))
                .containsExactly("loads 1 typed: LED 7 > LED 9");
        assertThat(told("ratingMa", 10_000, 16_000)).containsExactly("rating ma: 10000 > 16000");
    }

    /** What has an id and a name is told by its name: it is the same one wherever it stands. */
    @Test
    void whatIsNamedIsTheSameOneInAnyPlace() {
        String a = "{\"id\":\"1\",\"name\":\"Hall\",\"lux\":5}";
        String b = "{\"id\":\"2\",\"name\":\"Loft\",\"lux\":5}";
        assertThat(told("rooms", "[" + a + "," + b + "]", "[" + b + "," + a + "]"))
                .isEmpty();
        assertThat(told("rooms", "[" + a + "]", "[" + a.replace("5", "8") + "]"))
                .containsExactly("rooms \"Hall\" lux: 5 > 8");
        assertThat(told("rooms", "[" + a + "]", "[" + a + "," + b + "]"))
                .as("new as a whole: that it is there says enough")
                .containsExactly("rooms \"Loft\":  > there");
    }

    @Test
    void aFloodIsToldByItsBeginning() {
        String many = IntStream.range(0, 300).mapToObj(String::valueOf).collect(Collectors.joining(",", "[", "]"));
        assertThat(Difference.between("list", "[]", many)).hasSize(40);
        assertThat(Difference.between("note", "", "x".repeat(5_000))
                        .get(0)
                        .after()
                        .length())
                .isLessThan(300);
    }

    @Test
    void picturesAreToldByTheirSizeAndBrokenJsonAsText() {
        assertThat(told("jpeg", new byte[3], new byte[7])).containsExactly("jpeg: 3 bytes > 7 bytes");
        assertThat(told("note", "{not json", "{neither")).containsExactly("note: {not json > {neither");
    }
}
