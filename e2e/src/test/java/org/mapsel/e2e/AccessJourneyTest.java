package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.options.AriaRole;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A service that lets in nobody it does not know. */
@ExtendWith(SharedProduct.class)
class AccessJourneyTest {

  private static final String PASSWORD = "slack-water";

  @Test
  void credentialsAreAskedForKeptAndNeverShownAgain(User user, StandIns standIns) {
    standIns.turn("LOCKED");
    user.page.keyboard().type(standIns.berthing());
    user.keys("Enter");
    user.sees("wants to know who asks");

    chooseLogin(user, "User and password (Basic)");
    user.role(AriaRole.GROUP, "Who calls").getByLabel("User").fill("pilot");
    user.role(AriaRole.GROUP, "Who calls").getByLabel("Password").fill(PASSWORD);
    user.press("Read");
    user.press("Take 6 operations");
    user.sees("Reached as: User and password (Basic) as pilot");

    user.press("Change access");
    Assertions.assertThat(user.page.getByLabel("Password").first().inputValue()).isEmpty();
    Assertions.assertThat(user.page.content()).doesNotContain(PASSWORD);
    user.press("Cancel");

    user.follow("ListArrivals");
    user.type("day value", "2031-05-14");
    user.keys("Control+Enter");
    user.sees("just answered");
    user.press("Show the wire");
    assertThat(user.page.getByText("Basic ••••••").first()).isVisible();
    Assertions.assertThat(user.page.content()).doesNotContain(PASSWORD, "cGlsb3Q6");

    user.goTo("/services/berthing");
    user.role(AriaRole.REGION, "Endpoint BerthingSoap12").getByText("Change access").click();
    chooseLogin(user, "Nobody in particular");
    user.press("Save access");
    user.sees("Reached as: Nobody in particular");
    user.follow("ListArrivals");
    user.sees("recorded").press("Send");
    user.sees("The service wants to know who calls (status 401)");
  }

  private static void chooseLogin(User user, String words) {
    user.page.getByLabel("Login").first().click();
    user.role(AriaRole.OPTION, words).click();
  }
}
