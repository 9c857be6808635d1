package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Samples are kept, made up, checked and answered from, with and without the service. */
class SamplesJourneyTest {

  @RegisterExtension static final SharedDemo DEMO = SharedDemo.changed();

  @Test
  void anAnswerIsMadeUpAndChangedInTheFieldSheet() {
    String operation = "/services/berthing/operations/VesselParticulars";
    User user = DEMO.user().goTo(operation).press("Samples");
    user.role(AriaRole.MENUITEM, "One row").click();
    assertThat(user.page.getByText("made up").first()).isVisible();
    user.goTo("/samples").press("More for One row");
    user.role(AriaRole.MENUITEM, "Change it…").click();
    Locator sheet = user.role(AriaRole.TREEGRID, "Answer of One row");
    Locator key = sheet.getByLabel("key value", new Locator.GetByLabelOptions().setExact(true));
    key.fill("LOA");
    user.press("What was sent");
    user.type("hullNumber value", "S-20440");
    user.press("Keep it");
    assertThat(sheet).hasCount(0);
    user.press("More for One row");
    user.role(AriaRole.MENUITEM, "Change it…").click();
    user.press("What was sent");
    assertThat(user.page.getByLabel("hullNumber value")).hasValue("S-20440");
    user.press("Leave it");
    user.press("More for One row");
    user.role(AriaRole.MENUITEM, "Show it in field sheets and on pages").click();
    user.goTo(operation);
    assertThat(
            user.page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("LOA")))
        .not()
        .hasCount(0);
  }

  @Test
  void theLogTellsVisitorsFromBuildersAndPersonalDataIsNotInIt() {
    User user = DEMO.user();
    user.goTo("/apps/duty-desk/model");
    user.page.getByLabel("Record types").getByText("List arrivals").first().click();
    user.press(
        user.page
            .getByRole(AriaRole.ROW)
            .filter(new Locator.FilterOptions().setHas(user.page.getByLabel("Tick limit")))
            .getByText("personal"));
    user.sees("Saved");
    user.goTo("/draft/duty-desk/page_1");
    user.type("Day", "2031-05-14").type("Limit", "7").press("List arrivals");
    assertThat(user.page.getByRole(AriaRole.ROW).nth(1)).isVisible();

    user.goTo("/samples/log").choose("Made by", "visitors");
    user.press(user.page.getByText(", visitor").first());
    user.sees("******");
    assertThat(user.page.getByText("no page", new Page.GetByTextOptions().setExact(true)))
        .hasCount(0);
    user.goTo("/apps/duty-desk/model").press("Undo");
    user.sees("Saved");
  }

  @Test
  void aSampleIsCheckedAndThenStandsForTheService() {
    User user = DEMO.user().goTo("/services/berthing/operations/ListArrivals");
    user.type("day value", "2031-05-14").press("Send");
    user.sees("just answered");
    user.press("Samples");
    user.role(AriaRole.MENUITEM, "Keep this answer…").click();
    user.role(AriaRole.TEXTBOX, "Name of the sample").fill("A usual day");
    user.press("Keep it").press("Samples");
    assertThat(user.role(AriaRole.MENUITEM, "A usual day")).isVisible();
    user.role(AriaRole.MENUITEM, "No rows").click();
    assertThat(
            user.page
                .getByRole(AriaRole.ROW)
                .filter(new Locator.FilterOptions().setHasText("Marrow")))
        .hasCount(0);

    user.goTo("/samples");
    Locator sample = user.role(AriaRole.GROUP, "A usual day");
    sample.getByText("Pin as check").click();
    user.press("Run all checks");
    assertThat(sample).containsText("shape: holds");
    DEMO.standIns().turn("SECOND_EDITION");
    sample.getByText("Run", new Locator.GetByTextOptions().setExact(true)).click();
    assertThat(sample).containsText("shape: differs");
    sample.getByText("What differs").click();
    assertThat(user.role(AriaRole.TREEGRID, "What differs")).containsText("pilotOrdered");

    user.press("More for A usual day");
    user.role(AriaRole.MENUITEM, "Run it every hour").click();
    assertThat(sample).containsText("runs every hour");
    assertThat(user.page.getByLabel("Runs of A usual day: 2, of which 1 did not hold")).isVisible();
    user.goTo("/services").sees("A usual day does not hold any more");

    handOver(user);
    user.goTo("/samples/log").sees("The last day").sees("took on average");
    assertThat(user.role(AriaRole.TABLE, "How operations did")).containsText("ListArrivals");

    user.goTo("/upkeep").type("Keep exchanges for days", "7").press("Save");
    user.press("Let it go now").sees("there was nothing to let go");
    assertThat(user.goTo("/upkeep").page.getByLabel("Keep exchanges for days")).hasValue("7");

    user.goTo("/samples");
    DEMO.standIns().turn("DROPPED");
    user.page.getByLabel("Answer for Berthing from here").click();
    user.sees("answered from here; nothing is sent");
    user.visit("duty-desk", "Arrivals of a day");
    user.type("Day", "2031-05-14").press("List arrivals");
    user.sees("Berthing is answered for from samples");
    assertThat(user.page.getByRole(AriaRole.ROW).nth(1)).containsText("Marrow Curlew");
    user.goTo("/samples").page.getByLabel("Answer for Berthing from here").click();
    user.doesNotSee("answered from here; nothing is sent");
  }

  @Test
  void whatWentOverTheWireIsComparedKeptAndOpenedAgain() {
    User user = DEMO.user().goTo("/services/berthing/operations/ListArrivals");
    for (String day : List.of("2031-05-14", "2031-05-15")) {
      user.type("day value", day).press("Send");
      user.sees("just answered");
      user.sees(day.equals("2031-05-14") ? "Marrow Curlew" : "Hollow Tern");
    }
    user.goTo("/samples/log");
    Locator lines =
        user.page
            .getByRole(AriaRole.BUTTON)
            .filter(new Locator.FilterOptions().setHasText("Berthing / ListArrivals"));
    lines.nth(1).click();
    user.press("Compare others with this");
    lines.nth(0).click();
    user.press("Compare with the chosen one");
    assertThat(user.role(AriaRole.TREEGRID, "What differs")).containsText("Marrow Curlew");

    lines.nth(0).click();
    user.press("Keep as sample");
    user.role(AriaRole.TEXTBOX, "Name of the sample").fill("The fourteenth");
    user.press("Keep it").sees("It is among the samples now.");
    user.press("Send again").sees("Compare no more");
    user.press("Open in the field sheet");
    assertThat(user.page.getByLabel("day value")).hasValue("2031-05-14");
    user.sees("Marrow Curlew");
    user.press("Samples");
    user.role(AriaRole.MENUITEM, "Give an answer…").click();
    user.page
        .getByLabel("File with the answer")
        .setInputFiles(
            new FilePayload(
                "Quiet day.xml", "text/xml", QUIET_DAY.getBytes(StandardCharsets.UTF_8)));
    assertThat(user.role(AriaRole.TEXTBOX, "Name of the sample")).hasValue("Quiet day");
    user.press("Keep it").press("Samples");
    user.role(AriaRole.MENUITEM, "Quiet day").click();
    user.sees("Idle Petrel");
    user.press("Samples");
    user.role(AriaRole.MENUITEM, "A call that fails").click();
    user.sees("a call that fails: The service says that it did not work");
    aPageShowsWhatIsChosenForIt();
    user.goTo("/samples").press("More for The fourteenth");
    user.role(AriaRole.MENUITEM, "What went over the wire").click();
    assertThat(user.page.getByLabel("Request body")).containsText("<day>2031-05-14</day>");
    assertThat(user.page.getByLabel("Answer body")).containsText("Marrow Curlew");
  }

  /** Field sheets, and other pages, go on showing what was answered last. */
  private static void aPageShowsWhatIsChosenForIt() {
    User user = DEMO.user().goTo("/apps/duty-desk/pages/page_1");
    Locator table = user.page.getByRole(AriaRole.TABLE).first();
    user.press("Samples");
    user.role(AriaRole.MENUITEM, "Quiet day").click();
    user.sees("the sample Quiet day");
    assertThat(table).containsText("Idle Petrel");
    User other = DEMO.user().goTo("/services/berthing/operations/ListArrivals");
    other.sees("a call that fails").doesNotSee("Idle Petrel");
    user.press("Samples");
    user.role(AriaRole.MENUITEM, "What was answered last").click();
    assertThat(table).not().containsText("Idle Petrel");
  }

  private static final String QUIET_DAY =
      """
      <s:Envelope xmlns:s="http://www.w3.org/2003/05/soap-envelope"><s:Body>
      <ListArrivalsResponse xmlns="urn:saltmere:berthing" xmlns:t="urn:saltmere:berthing:types">
      <asOf>2031-05-16T05:00:00Z</asOf><total>1</total>
      <arrivals><t:arrivalId>1</t:arrivalId><t:vessel><t:name>Idle Petrel</t:name></t:vessel></arrivals>
      </ListArrivalsResponse></s:Body></s:Envelope>
      """;

  /** What is handed over is checked first; whoever saw what fails may release it all the same. */
  private static void handOver(User user) {
    user.build("duty-desk", "List arrivals").sees("With this sample: calls ListArrivals");
    user.press("Page");
    user.role(AriaRole.MENUITEM, "Rename the page…").click();
    user.role(AriaRole.TEXTBOX, "Name of the page").fill("Arrivals of a day");
    user.keys("Enter");
    user.sees("Saved").goTo("/apps/duty-desk/releases").press("Release 2");
    user.sees("1 of 1 check of what it calls does not hold; nothing was released.");
    assertThat(user.role(AriaRole.TREEGRID, "What differs")).containsText("pilotOrdered");
    user.press("Release 2 all the same");
    assertThat(user.role(AriaRole.LISTITEM, "Release 2")).containsText("what visitors see");
  }
}
