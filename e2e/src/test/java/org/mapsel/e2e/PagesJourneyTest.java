package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Small applications of several pages, changed and used. */
class PagesJourneyTest {

  private static Product product;
  private static Browser browser;
  private User user;

  @BeforeAll
  static void start() {
    product = Product.withDemo();
    browser = new Browser();
  }

  @AfterAll
  static void stop() {
    browser.close();
    product.close();
  }

  @BeforeEach
  void sitDown() {
    user = new User(browser, product);
  }

  @AfterEach
  void leave() {
    user.page.context().close();
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
    user.role(AriaRole.BUTTON, "Lifts (t)").click();
    assertThat(user.page.getByRole(AriaRole.ROW).nth(1)).containsText("Egret");
    assertThat(user.role(AriaRole.LINK, "Save as CSV"))
        .hasAttribute("href", Pattern.compile(".*/rows\\.csv"));
  }

  @Test
  void aStationIsChosenFromThoseThatThereAreAndItsTideIsDrawn() {
    user.visit("tide-watch", "Heights and warnings");
    user.sees("Fog on the outer pier.");
    user.page.getByLabel("Station").click();
    user.role(AriaRole.OPTION, "Lock gate").click();
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
    user.page.getByLabel("Basin").click();
    user.role(AriaRole.OPTION, "north").click();
    user.press("Reserve berth");
    user.sees("Reserved as ");
    assertThat(user.role(AriaRole.HEADING, "Vessel")).isVisible();
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

  private static Locator.GetByRoleOptions named(String name) {
    return new Locator.GetByRoleOptions().setName(name).setExact(true);
  }
}
