package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** The ticket that fills itself, the desk that declares, and how the latter is paired. */
class DesksJourneyTest {

  @RegisterExtension static final SharedDemo DEMO = SharedDemo.kept();

  @Test
  void aTicketFillsItselfOnOpeningAndByLookingUp() {
    User user = DEMO.user().goTo("/open/berth-ticket");
    user.page.getByRole(AriaRole.MAIN).getByRole(AriaRole.LINK).click();
    assertThat(user.page.getByLabel("Channel")).hasValue("12");
    assertThat(user.page.getByLabel("Basin")).hasValue("north");
    Locator vessel = user.page.getByLabel("Vessel, by its hull number");

    // Twice, so that it fails more often than what other journeys let fail.
    for (String unknown : new String[] {"S-99998", "S-99999"}) {
      vessel.fill(unknown);
      user.press("Look up").sees("No vessel has this hull number.");
    }
    vessel.fill("S-20417");
    user.press("Look up").sees("Salt Wren was found.");
    assertThat(vessel).hasValue("Salt Wren");
    assertThat(user.page.getByLabel("Whom to call")).not().hasValue("");
    assertThat(user.page.getByLabel("Priority")).hasValue("3");

    user.type("Arrives", "2031-08-01T06:00").type("Nights", "2").press("Make out the ticket");
    user.sees("is made out.");

    user.goTo("/services");
    assertThat(user.role(AriaRole.REGION, "What needs looking at"))
        .containsText("Berthing GetVessel failed");
    user.role(AriaRole.REGION, "Worked on last")
        .getByText("Declaration desk", new Locator.GetByTextOptions().setExact(true))
        .click();
    assertThat(user.role(AriaRole.HEADING, "Declare an arrival")).isVisible();
  }

  @Test
  void anArrivalIsDeclaredFromWhatIsKnownOfItAndItsVessel() {
    User user = DEMO.user().goTo("/open/declaration-desk").follow("Declare an arrival");
    user.sees("24 rows");
    user.page.getByText("Salt Wren").first().click();
    user.sees("129.7");
    user.type("Declared by", "Ines Marlow");
    user.select("Reason", "ARRIVAL");
    user.press("Declare").sees("D-0001").sees("say so at the lock");
    user.type("Wind (knots)".replace("(", "\\(").replace(")", "\\)"), "25");
    user.press("Advise mooring").sees("Longer than ninety metres.").sees("Fresh wind.");
  }

  /** 45 parameters, of which all but a few come from what is on the page. */
  @Test
  void fortyParametersArePairedInFourActions() {
    String operation = "/services/declarations/operations/declare";
    User user = DEMO.user().goTo(operation).sees("GOES IN");
    assertThat(user.role(AriaRole.COMBOBOX, "in")).hasText("a new app");
    user.build("declaration-desk", "Declare an arrival").sees("What happens");
    user.goTo(operation).sees("GOES IN");
    assertThat(user.role(AriaRole.COMBOBOX, "in")).hasText("Declaration desk");
    user.page.getByLabel("on", new Page.GetByLabelOptions().setExact(true)).click();
    user.role(AriaRole.OPTION, "Declare an arrival").click(); // 1
    user.press("Add this to the page"); // 2
    Locator sheets = user.page.getByTestId("left");
    Locator folded = sheets.getByRole(AriaRole.BUTTON, named("declare"));
    assertThat(folded).hasCount(2);
    if ("false".equals(folded.last().getAttribute("aria-expanded"))) {
      folded.last().click();
    }
    assertThat(folded.last()).hasAttribute("aria-expanded", "true");
    sheets.getByRole(AriaRole.BUTTON, named("Pair all")).last().click(); // 3
    Locator pairs = user.role(AriaRole.LIST, "Pairs").getByRole(AriaRole.LISTITEM);
    assertThat(pairs.nth(38)).isVisible();
    user.page
        .getByRole(AriaRole.DIALOG)
        .getByRole(
            AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Pair \\d")))
        .click(); // 4

    assertThat(sheets.getByText("vessel › grossTonnage of GetVessel")).isVisible();
    Locator likely = sheets.getByText("likely ✓").first();
    assertThat(likely).isVisible();
    int before = sheets.getByText("likely ✓").count();
    likely.click();
    assertThat(sheets.getByText("likely ✓")).hasCount(before - 1);
    user.press("Undo").press("Undo").press("Undo");
    user.sees("Saved");
  }

  private static Locator.GetByRoleOptions named(String name) {
    return new Locator.GetByRoleOptions().setName(name).setExact(true);
  }
}
