package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Fields are named, derived and given words once, and every page that shows them follows. */
class ModelJourneyTest {

  @RegisterExtension static final SharedDemo DEMO = SharedDemo.changed();

  private static Locator type(User user, String name) {
    return user.page
        .getByLabel("Record types")
        .getByText(name, new Locator.GetByTextOptions().setExact(true));
  }

  private static Locator line(User user, String field) {
    return user.page
        .getByRole(AriaRole.ROW)
        .filter(
            new Locator.FilterOptions()
                .setHas(
                    user.page.getByLabel(
                        "Tick " + field, new Page.GetByLabelOptions().setExact(true))));
  }

  private static void tell(User user) {
    user.build("duty-desk", "List arrivals").run(true).press("List arrivals").sees("24 rows");
  }

  @Test
  void whatTheModelSaysIsSeenOnThePages() {
    User user = DEMO.user();
    tell(user);

    user.goTo("/apps/duty-desk/model");
    type(user, "Arrival").click();
    user.page.getByLabel(Pattern.compile("^Label of berth:")).click();
    user.type("Label of berth", "Quay").keys("Enter");
    line(user, "lastPort").click();
    user.press("Derive a field");
    user.type("RE2 pattern", "(?P<first>\\w+)").type("called", "Sails from");
    user.sees("in the samples:").press("Keep it");
    line(user, "pilotOrdered").click();
    user.press("Make a value list of its 2 values");
    assertThat(user.page.getByLabel("Words for pilotOrdered")).not().hasValue("");
    type(user, "Value lists").click();
    Locator list =
        user.page.getByRole(
            AriaRole.FORM, new Page.GetByRoleOptions().setName("Pilot ordered").setExact(true));
    list.getByLabel("codes and their words").fill("true = pilot comes\nfalse = none");
    list.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it")).click();
    assertThat(list.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it")))
        .isDisabled();

    user.build("duty-desk", "List arrivals");
    assertThat(user.heads().getByText("Quay")).isVisible();
    user.tick("pilotOrdered");
    assertThat(user.heads().getByText("Pilot ordered")).isVisible();
    user.run(true);
    user.press("List arrivals").sees("24 rows").sees("pilot comes");
  }

  @Test
  void aValueListIsTakenFromTheRowsOfACall() {
    User user = DEMO.user().goTo("/services/berthing/operations/ListArrivals");
    user.type("day value", "2031-05-14").press("Send").sees("just answered");
    user.goTo("/apps/duty-desk/model");
    type(user, "Value lists").click();
    Locator list = user.role(AriaRole.FORM, "A new list");
    list.getByLabel("a new list").fill("Vessels by hull");
    list.getByText("From rows of a call").click();
    choose(user, list, "service", "Berthing");
    choose(user, list, "operation", "ListArrivals");
    choose(user, list, "code", "Hull number");
    choose(user, list, "words", "Name");
    list.getByText("Take its codes").click();
    Locator lines = list.getByLabel("codes and their words");
    assertThat(lines).hasValue(Pattern.compile("S-20440 = Marrow Curlew"));
    list.getByText("Keep it").click();
    assertThat(user.role(AriaRole.FORM, "Vessels by hull")).isVisible();
  }

  private static void choose(User user, Locator inside, String label, String option) {
    inside.getByLabel(label, new Locator.GetByLabelOptions().setExact(true)).click();
    user.role(AriaRole.OPTION, option).click();
  }

  @Test
  void aFieldIsDraggedOntoThePageAndTakenBack() {
    User user = DEMO.user().build("duty-desk", "List arrivals");
    user.page
        .getByTestId("left")
        .getByText("draughtMetres", new Locator.GetByTextOptions().setExact(true))
        .first()
        .dragTo(user.heads().getByText("Vessel").first());
    assertThat(user.heads().getByText("Draught (m)")).isVisible();
    user.keys("Control+z");
    assertThat(user.heads().getByText("Draught (m)")).hasCount(0);
  }

  @Test
  void aRequiredParameterThatNothingFillsIsToldAndMended() {
    User user = DEMO.user().build("duty-desk", "Get vessel");
    user.press("hullNumber filled from: Hull number. Change").press("Leave it out");
    user.press("1 thing to mend");
    Locator drawer =
        user.page.getByRole(
            AriaRole.DIALOG, new Page.GetByRoleOptions().setName("What there is to mend"));
    assertThat(drawer).containsText("Get vessel");
    drawer.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Ask for")).click();
    assertThat(drawer).containsText("Nothing to mend in this app.");
    user.press("Close").sees("Nothing to mend");
    assertThat(user.page.getByLabel(Pattern.compile("^Hull number"))).isVisible();
  }

  @Test
  void theKeyboardNamesAndHidesFieldsAndTakesItBack() {
    User user = DEMO.user().goTo("/apps/duty-desk/model");
    type(user, "Vessel").click();
    // The sheet of the type that was shown before takes no keys for this one.
    assertThat(line(user, "callSign")).isVisible();
    Locator grid = user.page.getByRole(AriaRole.GRID);
    grid.focus();
    user.keys("ArrowDown", "ArrowDown", "Enter");
    user.page.keyboard().type("Signal");
    user.keys("Enter");
    Locator callSign = line(user, "callSign");
    assertThat(callSign).containsText("Signal");

    grid.focus();
    user.keys("h");
    assertThat(
            callSign.getByRole(
                AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("hidden").setPressed(true)))
        .isVisible();
    user.keys("Control+z");
    user.keys("Control+z");
    assertThat(callSign).containsText("Call sign");
  }
}
