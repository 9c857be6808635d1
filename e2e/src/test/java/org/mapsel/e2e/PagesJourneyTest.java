package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.KeyboardModifier;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Small applications of several pages, changed and used. */
class PagesJourneyTest {

  @RegisterExtension static final SharedDemo DEMO = SharedDemo.kept();
  private User user;

  @BeforeEach
  void sitDown() {
    user = DEMO.user();
  }

  private Locator row(String words) {
    return user.page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(words));
  }

  @Test
  void rowsAreOrderedAndFound() {
    user.visit("yard-board", "List cranes");
    user.page.getByLabel("Find in Cranes").fill("broken");
    user.sees("3 of 12 rows");
    user.role(AriaRole.BUTTON, "Lifts (t)").click();
    assertThat(user.page.getByRole(AriaRole.ROW).nth(1)).containsText("Grab One");
    assertThat(user.role(AriaRole.COLUMNHEADER, "Lifts (t)"))
        .hasAttribute("aria-sort", "ascending");
    user.role(AriaRole.BUTTON, "Lifts (t)").click();
    assertThat(user.page.getByRole(AriaRole.ROW).nth(1)).containsText("Egret");
    assertThat(user.role(AriaRole.LINK, "Save as CSV"))
        .hasAttribute("href", Pattern.compile(".*/rows\\.csv"));
  }

  @Test
  void aStationIsChosenFromThoseThatThereAreAndItsTideIsDrawn() {
    user.visit("tide-watch", "Heights and warnings");
    user.sees("Fog on the outer pier.");
    user.select("Station", "Lock gate");
    assertThat(user.page.locator("svg path[class*=MuiLine]").first()).isVisible();
    user.page.getByLabel("Day").fill("2031-05-15");
    user.press("Get heights");
    user.sees("15 May 2031, 03:00");
  }

  @Test
  void fromAnArrivalToABerthAndBackWithWhatTheServiceSaid() {
    user.visit("duty-desk", "List arrivals");
    user.type("Day", "2031-05-14").press("List arrivals");
    row("Salt Wren").first().click();
    assertThat(user.role(AriaRole.HEADING, "Vessel")).isVisible();
    assertThat(user.page.getByRole(AriaRole.IMG).first()).isVisible();
    user.press("Reserve a berth");
    user.type("Arrives", "2031-05-16T08:00").type("Nights", "2");
    user.select("Basin", "north");
    user.press("Reserve berth");
    user.sees("Reserved as ");
    assertThat(user.role(AriaRole.HEADING, "Vessel")).isVisible();
  }

  @Test
  void whoChangesWhatSomebodyElseChangedSeesBothAndDecides() {
    User other = DEMO.user();
    changing(user, "Stilt").type("Called", "Stilt III");
    changing(other, "Stilt").type("Called", "Stilt II").press("Save").sees("Crane saved.");

    user.press("Save").sees("Somebody else has changed this in the meantime.");
    assertThat(row("Stilt III")).containsText("Stilt II");
    user.press("Take what is there now").sees("What you had changed was not saved.");
    assertThat(user.page.getByLabel("Called")).hasValue("Stilt II");
    user.type("Called", "Stilt").press("Save").sees("Crane saved.");
  }

  private static User changing(User user, String crane) {
    user.visit("yard-board", "List cranes");
    user.role(AriaRole.CELL, crane).first().click();
    return user.press("Change").sees("Electric");
  }

  @Test
  void aPartThatIsDroppedOnAFieldShowsIt() {
    user.build("yard-board", "Crane");
    user.page.locator("article dt").first().click();
    user.page.getByTitle("Drag onto a field, which it takes then").dragTo(row("etag").first());
    assertThat(user.page.getByRole(AriaRole.ARTICLE)).containsText("Etag");
    user.press("Undo");
    assertThat(user.page.getByRole(AriaRole.ARTICLE)).not().containsText("Etag");
  }

  @Test
  void whatAPageIsOpenedWithIsCalledOtherwise() {
    user.build("yard-board", "Change crane");
    user.press("What crane is called: crane. Edit");
    user.role(AriaRole.TEXTBOX, "What crane is called").fill("lift");
    user.keys("Enter");
    user.sees("Id of the lift of this page");
    user.press("Undo").sees("Id of the crane of this page");
  }

  @Test
  void whoLeavesWithSomethingTypedIsAskedFirst() {
    user.visit("duty-desk", "List arrivals");
    user.type("Day", "2031-05-14").follow("Duty desk");
    user.sees("What you typed here was not sent.").press("Stay here");
    assertThat(user.page.getByLabel("Day")).hasValue("2031-05-14");

    user.press("List arrivals");
    assertThat(row("Salt Wren").first()).isVisible();
    user.follow("Duty desk");
    assertThat(user.page.getByLabel("Day")).hasCount(0);
    user.doesNotSee("What you typed here was not sent.");
  }

  @Test
  void whatHappensIsASentenceThatIsChangedWhereItStands() {
    user.build("yard-board", "List cranes").press("Page");
    user.role(AriaRole.MENUITEM, "Add a button…").click();
    user.role(AriaRole.TEXTBOX, "Words on the button").fill("Hail them");
    user.keys("Enter");
    Locator sentence =
        user.page
            .getByRole(AriaRole.LISTITEM)
            .filter(new Locator.FilterOptions().setHasText("Hail them is pressed"));
    sentence.getByRole(AriaRole.BUTTON, named("Add a step")).click();
    user.role(AriaRole.MENUITEM, "say something").click();
    sentence.getByRole(AriaRole.BUTTON, named("With: nothing yet. Change")).click();
    user.press("Always the same").page.getByLabel("always this value").fill("All cranes hailed.");
    user.press("Take it");
    sentence.getByRole(AriaRole.BUTTON, named("Add a step")).click();
    user.role(AriaRole.MENUITEM, "go to Crane").click();
    user.sees("1 thing to mend");
    sentence.getByRole(AriaRole.BUTTON, named("crane of the page: nothing yet. Change")).click();
    user.page
        .getByRole(AriaRole.MENUITEM)
        .filter(new Locator.FilterOptions().setHasText("all of the chosen row"))
        .click();
    user.sees("Nothing to mend");
    sentence.getByRole(AriaRole.BUTTON, named("Step: go to Crane. Change")).click();
    user.role(AriaRole.MENUITEM, "leave this step out").click();
    sentence.getByRole(AriaRole.BUTTON, named("Event: Hail them is pressed. Change")).click();
    user.role(AriaRole.MENUITEM, "only if…").click();
    assertThat(sentence).containsText("Hail them is pressed if");

    user.run(true);
    user.press("Hail them").sees("All cranes hailed.");
    user.run(false);
    user.role(AriaRole.HEADING, "Cranes").click();
    user.page.getByLabel("How rows are shown").click();
    user.role(AriaRole.OPTION, "as a list").click();
    assertThat(user.page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Cranes")))
        .isVisible();
    user.press("Undo").press("Undo");
    assertThat(sentence).not().containsText("Hail them is pressed if");
  }

  private static final String BOOKINGS =
      """
      openapi: 3.0.3
      info: {title: Stores, version: "1"}
      servers: [{url: "http://localhost:7391/"}]
      paths:
        /orders:
          post:
            operationId: order
            requestBody:
              content:
                application/json:
                  schema:
                    type: object
                    properties:
                      quay: {type: string}
                      goods:
                        type: array
                        items:
                          type: object
                          required: [item]
                          properties:
                            item: {type: string}
                            crates: {type: integer}
            responses:
              "200":
                description: Ordered.
                content:
                  application/json:
                    schema: {type: object, properties: {number: {type: string}}}
      """;

  @Test
  void aListIsFilledInLineByLineAndSentAsOne() {
    pageOf("stores.yaml", BOOKINGS);
    assertThat(user.role(AriaRole.GROUP, "Goods")).isVisible();
    user.run(true).type("Quay", "North");
    line(1, "Item").fill("Rope");
    user.press("Another line");
    assertThat(line(2, "Item")).isFocused();
    line(2, "Crates").fill("3");
    user.press("Order").sees("Please fill in: Item in line 2.");
    line(2, "Item").fill("Paint");
    user.press("Order");
    user.sees("No connection to http://localhost:7391/orders");
    user.press("What went in and out");
    assertThat(user.page.locator("body")).containsText("Paint");
    assertThat(user.page.locator("body")).containsText("Rope");
    user.press("Take line 1 away");
    assertThat(line(1, "Item")).hasValue("Paint");
  }

  private static final String NOTICES =
      """
      openapi: 3.0.3
      info: {title: Notices, version: "1"}
      servers: [{url: "http://localhost:7391/"}]
      paths:
        /notices:
          post:
            operationId: sendNotice
            requestBody:
              content:
                application/json:
                  schema:
                    type: object
                    required: [way]
                    properties:
                      way:
                        oneOf:
                        - {title: Letter, type: object, required: [address], properties: {address: {type: string}}}
                        - {title: Radio, type: object, required: [channel], properties: {channel: {type: string}}}
            responses: {"204": {description: sent}}
      """;

  @Test
  void whichAlternativeIsSentIsChosenOnThePageOrOnceForAll() {
    pageOf("notices.yaml", NOTICES);
    user.sees("Asked for where it is chosen.");
    user.run(true).select("Way", "Radio");
    assertThat(user.page.getByLabel("Address")).isHidden();
    user.press("Send notice").sees("Please fill in: Channel.");
    user.type("Channel", "12").press("Send notice");
    user.sees("No connection to http://localhost:7391/notices");
    user.press("What went in and out");
    assertThat(user.page.locator("body")).containsText(Pattern.compile("\"channel\":\\s*\"12\""));

    user.run(false);
    user.page.getByRole(AriaRole.ARTICLE).getByText("Way").first().click();
    user.choose("How the value is put in", "a choice on buttons");
    user.run(true).press("Letter");
    assertThat(user.page.getByLabel("Address")).isVisible();
    assertThat(user.page.getByLabel("Channel")).isHidden();

    user.run(false);
    user.press("way filled from: Way. Change").press("Always the same");
    user.choose("always this value", "Letter").press("Take it");
    user.run(true);
    assertThat(user.page.getByLabel("Channel")).isHidden();
    assertThat(user.page.getByLabel("Address")).isVisible();
  }

  /** Makes a page of the only operation that a description has. */
  private void pageOf(String file, String description) {
    user.goTo("/services")
        .page
        .getByLabel("Description files")
        .setInputFiles(
            new FilePayload(file, "text/yaml", description.getBytes(StandardCharsets.UTF_8)));
    user.press("Take 1 operation").press("Make a page from this");
  }

  private Locator line(int number, String label) {
    return user.role(AriaRole.GROUP, "Line " + number)
        .getByLabel(Pattern.compile("^" + label + "\\s*\\*?$"));
  }

  @Test
  void whoWaitsForASlowServiceCanStop() {
    user.build("yard-board", "List cranes");
    user.role(AriaRole.HEADING, "Cranes").click();
    choose("When it has nothing to show", "while it waits");
    user.press("Words while it waits: as usual. Edit");
    user.type("Words while it waits", "Looking for cranes").keys("Enter");
    user.run(true);
    user.sees("12 rows");
    user.page.getByLabel("How services look").click();
    user.role(AriaRole.OPTION, "3 s later").click();
    user.press("Start over").sees("Looking for cranes").sees("12 rows");
    // On a busy machine three seconds may be over before anybody has pressed anything.
    DEMO.standIns().turn("SLOW", 30_000);
    user.press("List cranes").press("Stop waiting");
    user.sees("was not waited for any longer");
    user.sees("12 rows");
  }

  @Test
  void aValueIsFollowedToItsBytesAndBytesToTheirValue() {
    user.build("duty-desk", "List arrivals").run(true);
    user.type("Day", "2031-05-14").press("List arrivals");
    user.sees("When List arrivals is pressed").sees("calls ListArrivals with Day 2031-05-14");
    cell("Salt Wren").click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.ALT)));
    Locator way = user.role(AriaRole.REGION, "How this value came to be");
    assertThat(way.locator("mark")).hasText("Salt Wren");
    assertThat(way).containsText("day = 2031-05-14, from Day");
    user.press("Show it in the wire");
    assertThat(user.page.locator(".looked-at")).hasText("Salt Wren");

    way.getByLabel("Answer body").getByText(">S-20417<").first().click();
    user.sees("arrivals › number 2 › vessel › hullNumber").sees("is shown in");
    user.press("Hull of Arrivals, row 2");
    assertThat(way.locator("mark")).hasText("S-20417");

    user.page.getByLabel("How services look").click();
    user.role(AriaRole.OPTION, "as if it failed").click();
    user.press("Start over").press("List arrivals");
    user.sees("which fails");
    user.page.getByLabel("How services look").click();
    user.role(AriaRole.OPTION, "answered from samples").click();
    user.press("List arrivals");
    user.sees("answered, status 200");
  }

  @Test
  void aListInsideOfRowsOpensInItsRow() {
    user.build("duty-desk", "List arrivals")
        .run(true)
        .type("Day", "2031-05-14")
        .press("List arrivals");
    Locator herring = row("Marrow Heron").first();
    herring.getByRole(AriaRole.BUTTON, named("Cargo: 3")).click();
    Locator inside = user.role(AriaRole.TABLE, "Cargo");
    assertThat(inside.getByText("herring on ice")).hasCount(2);
    assertThat(inside.getByRole(AriaRole.COLUMNHEADER).first()).isVisible();
  }

  private Locator cell(String text) {
    return user.page.locator("td").filter(new Locator.FilterOptions().setHasText(text)).first();
  }

  @Test
  void rowsHaveButtonsAndTotalsAndPartsStandUnderTabs() {
    user.build("yard-board", "List cranes").press("Page");
    user.role(AriaRole.MENUITEM, "Add a button…").click();
    user.role(AriaRole.TEXTBOX, "Words on the button").fill("Which one");
    user.keys("Enter");
    sentence("Which one is pressed").getByRole(AriaRole.BUTTON, named("Add a step")).click();
    user.role(AriaRole.MENUITEM, "say something").click();
    sentence("Which one is pressed")
        .getByRole(AriaRole.BUTTON, named("With: nothing yet. Change"))
        .click();
    user.page.getByLabel("Find what can fill it").fill("Name of the chosen row");
    user.page
        .getByRole(AriaRole.MENUITEM)
        .filter(new Locator.FilterOptions().setHasText("Name of the chosen row"))
        .first()
        .click();
    user.press("Which one");
    choose("Where it stands", "in every row of Cranes");
    user.heads().filter(new Locator.FilterOptions().setHasText("Lifts")).first().click();
    choose("What stands under it", "most");
    user.press("Page");
    user.role(AriaRole.MENUITEM, "Add a group or tab…").click();
    user.role(AriaRole.TEXTBOX, "Words over the group").fill("All of them");
    user.keys("Enter");
    user.role(AriaRole.HEADING, "All of them").click();
    choose("How the group stands", "as a tab");
    user.role(AriaRole.HEADING, "Cranes").click();
    choose("Where it stands", "in All of them");
    assertThat(user.role(AriaRole.TABPANEL, "All of them")).containsText("Cranes");

    user.visit("yard-board", "List cranes");
    assertThat(user.role(AriaRole.TAB, "All of them")).isVisible();
    row("Egret").getByRole(AriaRole.BUTTON, named("Which one")).click();
    user.sees("Egret");
    assertThat(user.page.getByRole(AriaRole.ALERT)).containsText("Egret");
    assertThat(user.page.locator("tfoot")).containsText("most");
    user.build("yard-board", "List cranes");
    for (int i = 0; i < 7; i++) {
      user.press("Undo");
      assertThat(user.role(AriaRole.STATUS, "Saving")).hasText("Saved");
    }
  }

  private void choose(String setting, String words) {
    user.page.getByLabel(setting).first().click();
    user.role(AriaRole.OPTION, words).click();
    assertThat(user.role(AriaRole.STATUS, "Saving")).hasText("Saved");
  }

  private Locator sentence(String words) {
    return user.page
        .getByRole(AriaRole.LISTITEM)
        .filter(new Locator.FilterOptions().setHasText(words));
  }

  private static Locator.GetByRoleOptions named(String name) {
    return new Locator.GetByRoleOptions().setName(name).setExact(true);
  }
}
