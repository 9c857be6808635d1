package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** From an empty workspace to a read answer on a page, and on through a crash. */
@ExtendWith(SharedProduct.class)
class FirstPageJourneyTest {

  @Test
  void fromADescriptionToALivePageThatSurvivesACrash(
      User user, Product product, StandIns standIns) {
    thereIsSomethingToTry(user);

    // Eight actions from the open start page to the first real answer on a page.
    user.page.keyboard().type(standIns.berthing());
    user.keys("Enter"); // 1
    user.press("Take 6 operations"); // 2
    user.follow("ListArrivals"); // 3
    user.sees("made up, nothing sent yet");
    user.type("day value", "2031-05-14"); // 4
    user.keys("Control+Enter"); // 5
    user.sees("just answered");
    user.press("Make a page from this"); // 6
    user.run(true); // 7
    user.press("List arrivals"); // 8
    user.sees("24 rows").sees("Marrow Curlew");

    chooseSixFields(user);
    user.run(true).press("List arrivals").sees("24 rows");
    assertThat(user.heads())
        .containsText(new String[] {"Due", "Vessel", "Hull", "Berth", "State", "Agent"});

    wireShowsBothMessages(user);

    product.killServer();
    product.awaitReadyAgain();
    user.goTo("/apps");
    user.follow("List arrivals");
    assertThat(user.heads())
        .containsText(new String[] {"Due", "Vessel", "Hull", "Berth", "State", "Agent"});
    user.sees("recorded").sees("Marrow Curlew");
    user.press("Undo");
    assertThat(user.heads().nth(0)).not().containsText("Due");
  }

  /** One press each; nothing is taken by that. */
  private static void thereIsSomethingToTry(User user) {
    user.press("A request and its answer").sees("Take 1 operation");
    user.goTo("/").press("A spreadsheet of berths").sees("Offer it");
    user.goTo("/").press("The description of a service").sees("listBuoys");
    user.goTo("/").sees("No service yet.");
  }

  /** Ticks, relabels and reorders: due, vessel, hull, berth, state, agent. */
  private static void chooseSixFields(User user) {
    user.run(false);
    assertThat(user.page.getByRole(AriaRole.TREEGRID)).isVisible();
    for (String unwanted : new String[] {"arrivalId", "kind", "lengthMetres", "flag"}) {
      user.tick(unwanted);
    }
    assertThat(user.heads()).containsText(new String[] {"Name", "Hull number"});
    for (String wanted : new String[] {"berth", "state", "agent"}) {
      user.tick(wanted);
      assertThat(user.role(AriaRole.CHECKBOX, "Use " + wanted).first()).isChecked();
    }
    relabel(user, "name", "Vessel");
    relabel(user, "hullNumber", "Hull");
    if (user.role(AriaRole.CHECKBOX, "Use etaUtc").isChecked()) {
      throw new IllegalStateException("etaUtc should not be among the first picks");
    }
    user.tick("etaUtc");
    assertThat(user.role(AriaRole.CHECKBOX, "Use etaUtc")).isChecked();
    relabel(user, "etaUtc", "Due");
    for (int i = 0; i < 5; i++) {
      user.page.getByTestId("left").getByText("etaUtc").click();
      user.keys("Alt+ArrowUp");
      assertThat(user.heads().nth(4 - i)).containsText("Due");
    }
  }

  private static void relabel(User user, String field, String label) {
    user.page.getByLabel("Label of " + field + ":").first().click();
    user.type("Label of " + field, label);
    user.keys("Enter");
    assertThat(user.heads().getByText(label)).isVisible();
  }

  private static void wireShowsBothMessages(User user) {
    user.press("What went in and out");
    assertThat(user.page.getByLabel("Request body")).containsText("<day>2031-05-14</day>");
    assertThat(user.page.getByLabel("Answer body")).containsText("ListArrivalsResponse");
    user.sees("because SOAP 1.2 has a media type of its own and names the action inside it");
  }
}
