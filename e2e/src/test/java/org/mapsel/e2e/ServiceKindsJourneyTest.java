package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Services of other kinds than SOAP, each from its description to a page, and one page for two. */
@ExtendWith(SharedProduct.class)
class ServiceKindsJourneyTest {

  private static final String KEY = "ebb-and-flow";

  @Test
  void aServiceOverHttpWithAKeyBecomesAPage(User user, StandIns standIns) {
    take(user, standIns.tides(), "Take 6 operations");
    giveKey(user);

    user.follow("getHeights");
    user.type("code value", "OUT");
    user.type("day value", "2031-05-14");
    user.keys("Control+Enter");
    user.sees("just answered");
    user.press("Show the wire");
    assertThat(user.page.getByText("/tides/stations/OUT/heights?day=2031-05-14").first())
        .isVisible();
    Assertions.assertThat(user.page.content()).doesNotContain(KEY);

    user.press("Make a page from this");
    user.run(true);
    user.press("Get heights");
    user.sees("24 rows");

    user.goTo("/");
    user.page.getByText("Tides").first().click();
    user.follow("addPhoto");
    user.type("code value", "OUT");
    user.page
        .getByLabel("photo value")
        .setInputFiles(
            new FilePayload(
                "ebb.png", "image/png", new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10}));
    user.sees("ebb.png, image/png, 8 B");
    user.press("Send");
    user.sees("just answered");
    assertThat(user.page.getByText("image/png").last()).isVisible();

    user.press("Make a page from this");
    user.run(true);
    user.type("Code", "OUT");
    user.page
        .getByLabel("Photo", exactly())
        .setInputFiles(
            new FilePayload(
                "flood.gif", "image/gif", "GIF89a12345".getBytes(StandardCharsets.US_ASCII)));
    user.press("Add photo");
    user.sees("image/gif");
    user.sees("11");
  }

  @Test
  void anAnswerHandsItsValuesOnToWhatComesNext(User user, StandIns standIns) {
    take(user, standIns.tides(), "Take 6 operations");
    giveKey(user);

    user.follow("getStation");
    user.type("code value", "OUT");
    user.keys("Control+Enter");
    user.sees("just answered");
    user.follow("Go on to getHeights with code: OUT");
    user.type("day value", "2031-05-14");
    user.keys("Control+Enter");
    user.sees("just answered");
    user.press("Show the wire");
    assertThat(user.page.getByText("/tides/stations/OUT/heights?day=2031-05-14").first())
        .isVisible();
  }

  @Test
  void entitiesBecomeAPageThatUsesTwoKindsOfService(User user, StandIns standIns) {
    take(user, standIns.yard(), "Take 26 operations");
    user.follow("List Cranes");
    user.press("Send");
    user.sees("just answered");
    user.press("Make a page from this");
    user.run(true);
    user.press("List cranes");
    // More than the service gives at a time.
    user.sees("12 rows").sees("Old Meg").sees("Egret");
    assertThat(user.heads()).containsText(new String[] {"Called", "State", "Lifts (t)"});

    user.goTo("/services").sees("Read a description");
    take(user, standIns.tides(), "Take 6 operations");
    giveKey(user);
    user.follow("listStations");
    user.page.getByLabel("on", exactly()).click();
    user.role(AriaRole.OPTION, "List cranes").click();
    user.press("Add this to the page");
    user.run(true);
    user.press("List stations");
    user.sees("Outer pier");
    user.press("List cranes");
    user.sees("Old Meg").sees("Outer pier");
  }

  @Test
  void aParameterTakesSeveralValuesInTheSheetAndOnThePage(User user, StandIns standIns) {
    take(user, standIns.tides(), "Take 6 operations");
    giveKey(user);
    user.follow("listStations");
    user.type("code value", "OUT").press("Another code").type("code value", "SIL");
    user.press("Send");
    user.sees("just answered").press("Show the wire");
    assertThat(user.page.getByText("code=OUT&code=SIL").first()).isVisible();

    user.press("Make a page from this");
    user.run(true);
    user.press("List stations");
    user.sees("2 rows").sees("Silt basin");
    // The last one is taken out, and what is still being typed counts too.
    user.page.getByLabel("Code").press("Backspace");
    user.page.getByLabel("Code").fill("HOR");
    user.keys("Enter");
    user.page.getByLabel("Code").fill("LOC");
    user.press("List stations");
    user.sees("3 rows").sees("Horn point").doesNotSee("Silt basin");
  }

  @Test
  void severalConditionsNarrowAListTogether(User user, StandIns standIns) {
    take(user, standIns.yard(), "Take 26 operations");
    user.follow("List Cranes");
    condition(user, "Lifts", "is more than", "20");
    user.press("Another filter").sees("2 of 2");
    condition(user, "Name", "starts with", "Old");
    user.press("Another filter").sees("3 of 3");
    condition(user, "Name", "equals", "nobody");
    user.press("Without this filter").sees("2 of 2");

    user.press("Send");
    user.sees("just answered").press("Show the wire");
    assertThat(user.page.getByText("Lifts%20gt%2020%20and%20startswith%28Name,'Old'%29").first())
        .isVisible();
    user.press("Previous filter");
    assertThat(user.page.getByLabel("value value", exactly())).hasValue("20");
  }

  private static void condition(User user, String field, String comparison, String value) {
    user.page.getByLabel("field value", exactly()).first().selectOption(field);
    user.page.getByLabel("comparison value", exactly()).selectOption(comparison);
    user.type("value value", value);
  }

  @Test
  void aListBecomesAnApplicationInOnePressAndPeopleChangeWhatIsInIt(User user, StandIns standIns) {
    take(user, standIns.yard(), "Take 26 operations");
    user.follow("List Cranes").sees("Make a page from this");
    user.page.getByLabel("as", exactly()).click();
    user.role(AriaRole.OPTION, "list, record and changes").click();
    user.press("Make a page from this");
    user.sees("a row of Cranes is chosen").sees("Nothing to mend");
    String bench = user.page.url();

    user.page.navigate(bench.replaceFirst("/apps/([^/]+)/pages/", "/draft/$1/"));
    row(user, "Stilt").click();
    user.sees("15.0").press("Change");
    assertThat(user.page.getByLabel("Called")).hasValue("Stilt");
    user.type("Called", "Stilt the second").keys("Enter");
    user.sees("Crane saved.").sees("Stilt the second");
    assertThat(user.role(AriaRole.HEADING, "Crane")).isVisible();
    user.press("Back");
    assertThat(row(user, "Stilt the second")).isVisible();

    // With the keyboard alone: a row, and the way back.
    row(user, "Curlew").focus();
    user.keys("Enter");
    assertThat(user.role(AriaRole.HEADING, "Crane")).isVisible();
    user.sees("32.5");
    user.page.goBack();
    assertThat(row(user, "Stilt the second")).isVisible();
    user.page.reload();
    assertThat(row(user, "Curlew")).isVisible();
    assertThat(user.page).hasURL(Pattern.compile(".*/draft/.*"));
  }

  private static Locator row(User user, String words) {
    return user.page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(words));
  }

  @Test
  void aPageFillsItselfWhenItIsOpened(User user, StandIns standIns) {
    take(user, standIns.yard(), "Take 26 operations");
    user.follow("List Cranes").sees("Make a page from this");
    String service = user.page.url().replaceFirst("/operations/.*", "");
    user.press("Make a page from this");
    user.press("Call List Cranes when the page is opened");
    user.sees("When the page is opened");
    String bench = user.page.url();
    user.page.navigate(service);
    user.follow("List Jobs");
    user.page.getByLabel("on", exactly()).click();
    user.role(AriaRole.OPTION, "List cranes").last().click();
    user.press("Add this to the page");
    user.press("Call List Jobs when the page is opened");

    user.run(true);
    user.sees("12 rows").sees("9 rows");
    user.sees("2 questions went to").sees("in one message");

    String finished = bench.replaceFirst("/apps/([^/]+)/pages/", "/draft/$1/");
    user.page.navigate(finished);
    user.sees("12 rows").sees("9 rows").sees("Old Meg").sees("J-2041");
    user.page.navigate(bench);
    String opening = "Remove what happens when the page is opened";
    user.role(AriaRole.BUTTON, opening).first().click();
    assertThat(user.role(AriaRole.BUTTON, opening)).hasCount(1);
    user.page.navigate(finished);
    user.sees("9 rows").doesNotSee("12 rows");
  }

  @Test
  void oneRequestThatWorksIsEnoughForAPage(User user, StandIns standIns) {
    user.type("Address or text of a description", standIns.rosterSample());
    user.sees("This is a sample request of curl.");
    user.press("Read");
    user.sees("it was left out");
    user.press("Take 1 operation");
    // The action belongs to the message; only the day is asked for.
    assertThat(user.role(AriaRole.CHECKBOX, "Use day").first()).not().isChecked();
    user.press("day, 2031-05-13");
    assertThat(user.role(AriaRole.CHECKBOX, "Use day").first()).isChecked();
    assertThat(user.role(AriaRole.CHECKBOX, "Use X-Roster-Action")).not().isChecked();
    user.type("day value", "2031-05-14");
    user.keys("Control+Enter");
    user.sees("just answered");
    Assertions.assertThat(user.page.content()).doesNotContain("slack-water");
    user.press("Make a page from this");
    user.run(true);
    assertThat(
            user.page.getByRole(
                AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("X roster action")))
        .hasCount(0);
    user.press("POST /roster");
    user.sees("3 rows").sees("Ada Quill").sees("Cora Leeway");
  }

  @Test
  void aRequestIsFilledInAndItsAnswerTellsTheFields(User user, StandIns standIns) {
    user.press("Fill in a request…");
    user.page.getByLabel("Method").click();
    user.role(AriaRole.OPTION, "GET").click();
    user.type(
        "Address of the request", standIns.tides().replace("openapi.json", "stations?named=pier"));
    user.type("Headers, one a line", "X-Api-Key " + KEY);
    user.sees("This is no header");
    user.type("Headers, one a line", "X-Api-Key: " + KEY);
    user.press("Read this request").sees("it was left out").press("Take 1 operation");
    assertThat(user.role(AriaRole.BUTTON, "Make a page from this")).isVisible();
    user.page.navigate(user.page.url().replaceAll("/operations/.*", ""));
    giveKey(user);
    user.follow("GET /tides/stations");
    user.press("Send").sees("just answered");
    assertThat(user.role(AriaRole.CHECKBOX, "Use latitude")).hasCount(0);
    user.press("Take the fields of this answer");
    assertThat(user.role(AriaRole.CHECKBOX, "Use latitude")).isVisible();
    user.sees("54.251");
    user.press("Make a page from this");
    user.run(true);
    user.press("GET /tides/stations");
    user.sees("1 row").sees("Outer pier");
    Assertions.assertThat(user.page.content()).doesNotContain(KEY);
  }

  @Test
  void keysThatOnlyAnAnswerTellsBecomeFields(User user, StandIns standIns) {
    take(user, standIns.berthing(), "Take 6 operations");
    user.follow("VesselParticulars");
    user.doesNotSee("value where key is");
    user.type("hullNumber value", "S-20417");
    user.keys("Control+Enter");
    user.sees("value where key is MOOR");
    user.tick("MOOR");
    user.press("Make a page from this");
    user.run(true);
    user.press("Vessel particulars");
    user.sees("6 lines, 2 springs");
  }

  @Test
  void aTextIsCutIntoRows(User user, StandIns standIns) {
    user.type("Address or text of a description", standIns.noteSample());
    user.press("Read").press("Take 1 operation");
    user.press("Send").sees("just answered");
    user.press("Cut fields out of a text");
    user.type("RE2 pattern", "^(?P<from>[0-9:]+)-(?P<to>");
    user.sees("This is no pattern");
    user.type("RE2 pattern", "^(?P<from>[0-9:]+)-(?P<to>[0-9:]+) +(?P<pilot>.*) \\(");
    user.sees("3 matches in the sample.").sees("Ada Quill");
    user.page.getByLabel("every match is a row").check();
    user.page.getByLabel("pilot", exactly()).check();
    user.page.getByLabel("from", exactly()).check();
    user.press("Make a page from this");
    user.sees("06:00, 14:00, 22:00");
    user.run(true);
    user.press("GET /roster/note");
    user.sees("3 rows").sees("Cora Leeway").sees("22:00");
  }

  private static Page.GetByLabelOptions exactly() {
    return new Page.GetByLabelOptions().setExact(true);
  }

  private static void take(User user, String address, String button) {
    user.page.keyboard().type(address);
    user.keys("Enter");
    user.press(button);
  }

  private static void giveKey(User user) {
    user.press("Change access");
    user.page.getByLabel("Login").first().click();
    user.role(AriaRole.OPTION, "A key").click();
    user.page.getByLabel("Name of the header or parameter").fill("X-Api-Key");
    user.page.getByLabel("Key", exactly()).fill(KEY);
    user.press("Save access");
    user.sees("Reached as: A key");
  }
}
