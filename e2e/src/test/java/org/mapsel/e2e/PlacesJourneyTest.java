package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** What is begun, found again and taken away at its place, without any service. */
@ExtendWith(SharedProduct.class)
class PlacesJourneyTest {

  private static User named(User user, String dialog, String name) {
    user.role(AriaRole.TEXTBOX, dialog).fill(name);
    return user.keys("Enter");
  }

  @Test
  void anAppIsBegunWithAnEmptyPageGetsAnotherAndGoes(User user) {
    named(user.goTo("/apps").press("Begin with an empty page"), "Name of the new app", "Harbour");
    assertThat(user.page).hasURL(Pattern.compile(".*/apps/harbour/pages/.*"));

    named(user.goTo("/apps").press("New page"), "Name of the new page of Harbour", "Tugs");
    String tugs = user.page.url();
    user.press("Harbour");
    assertThat(user.role(AriaRole.MENUITEM, "Tugs")).isVisible();
    user.role(AriaRole.MENUITEM, "Harbour").click();
    assertThat(user.page).not().hasURL(tugs);

    user.goTo("/apps").press("Remove Harbour").press("Leave it");
    assertThat(user.role(AriaRole.DIALOG, "Remove Harbour")).hasCount(0);
    user.press("Remove Harbour").press(user.role(AriaRole.BUTTON, "Remove"));
    user.sees("There is no page yet.");
  }

  @Test
  void aNameThatLooksSecretCanBeSaidToBeNone(User user) {
    user.goTo("/services")
        .type(
            "Address or text of a description",
            "curl 'http://localhost:1/lots?trainingSession=early&deskToken=tide-1'")
        .press("Read");
    user.sees("The value of trainingSession in the sample looks secret");

    user.press("trainingSession");

    user.doesNotSee("The value of trainingSession in the sample looks secret");
    user.sees("The value of deskToken in the sample looks secret");
    user.press("Take 1 operation");
    assertThat(user.page.getByLabel("trainingSession value")).hasValue("early");
    assertThat(user.page.getByLabel("deskToken value")).hasValue("");
  }
}
