package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.TestDatabase;
import org.junit.jupiter.api.Test;

/**
 * The owner invites a fitter and gives a job out; a household reads by its link; a database that goes away is told,
 * and nothing typed is lost.
 */
class PeopleIT {
    private static final String WORDS = "grindstone lattice paper boat";

    private final Caller caller = new Caller(RunningClerk.get());

    /** The link that is shown once, from the page that shows it. */
    private static String link(Desk desk, String page) {
        Locator shown = desk.page().getByText(Pattern.compile("/" + page + "#"));
        shown.waitFor();
        return shown.innerText().substring(RunningClerk.get().address().length());
    }

    @Test
    void aFitterComesByAnInvitationAndSeesTheJobThatWasGivenOut() throws Exception {
        caller.logIn();
        SmallHouse house = new SmallHouse(caller);
        house.pick(house.box("PE-1"), "SK-1");
        String name = caller.ask("GET", "/api/v1/jobs/" + house.job(), null)
                .get("name")
                .asString();
        try (Desk owner = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            owner.page().navigate(RunningClerk.get().address() + "/people");
            owner.fill("Name, as it stands on papers", "J. Hale");
            owner.press("make the link");
            String invited = link(owner, "invited");
            try (Desk fitter = Desk.at(Desk.Screen.PHONE, invited)) {
                fitter.page().getByText("M. Tarrow invites J. Hale as fitter.").waitFor();
                fitter.fill("Login name", "hale");
                fitter.fill("Password, 12 characters or more", WORDS);
                fitter.press("make my account");
                fitter.page().getByText("No jobs yet").waitFor();
                assertThat(fitter.page().url())
                        .as("the secret does not stay in the address")
                        .doesNotContain("invited");

                owner.page().navigate(RunningClerk.get().address());
                owner.button("details of " + name).click();
                owner.page().getByLabel("J. Hale").check();
                owner.fill("For whom", "The family");
                owner.press("make a link");
                String visit = link(owner, "visit");

                fitter.page().reload();
                fitter.page()
                        .getByRole(
                                AriaRole.LINK,
                                new Page.GetByRoleOptions().setName(name).setExact(true))
                        .waitFor();
                fitter.page().navigate(RunningClerk.get().address() + "/jobs/" + house.job() + "/pick-list");
                fitter.page().getByText("SK-1").first().waitFor();
                assertThat(fitter.page().locator("tfoot").count())
                        .as("no sum of prices")
                        .isZero();
                try (Desk household = Desk.at(Desk.Screen.PHONE, visit)) {
                    household.page().getByText("When something is out").waitFor();
                    assertThat(household.page().url()).doesNotContain("visit");
                    household
                            .page()
                            .getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("house"))
                            .click();
                    household.page().getByText("does not run at the moment").waitFor();
                    assertThat(household.complaints()).isEmpty();
                }
                assertThat(fitter.complaints()).isEmpty();
            }
            assertThat(owner.complaints()).isEmpty();
        }
    }

    @Test
    void aDatabaseThatGoesAwayIsToldAndNothingTypedIsLost() throws Exception {
        // The database of the tests is quick and forgets its last second when it is killed; here it keeps what it
        // acknowledged, as the real one does.
        TestDatabase.get().asRoot("SET GLOBAL innodb_flush_log_at_trx_commit = 1");
        try (Desk desk = Desk.loggedIn(Desk.Screen.LAPTOP, "daylight")) {
            desk.fill("Name of the house", "Weir Cottage");
            desk.fill("Place", "Below the lock");
            TestDatabase.get().kill();
            desk.press("open the job");
            Locator band =
                    desk.page().getByRole(AriaRole.ALERT).filter(new Locator.FilterOptions().setHasText("try now"));
            band.waitFor();
            assertThat(band.innerText()).contains("What you entered is still here");
            assertThat(desk.page()
                            .getByLabel("Place", new Page.GetByLabelOptions().setExact(true))
                            .inputValue())
                    .isEqualTo("Below the lock");
            TestDatabase.get().startAgain();
            band.waitFor(new Locator.WaitForOptions()
                    .setState(com.microsoft.playwright.options.WaitForSelectorState.HIDDEN)
                    .setTimeout(60_000));
            assertThat(desk.page()
                            .getByLabel("Name of the house", new Page.GetByLabelOptions().setExact(true))
                            .inputValue())
                    .isEqualTo("Weir Cottage");
            desk.press("open the job");
            desk.page()
                    .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Weir Cottage"))
                    .first()
                    .waitFor();
            assertThat(desk.complaints()).allMatch(complaint -> complaint.contains("503"));
        }
        assertThat(List.of(TestDatabase.get().one("SELECT COUNT(*) FROM job WHERE name = 'Weir Cottage'")))
                .containsExactly("1");
    }
}
