package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/**
 * Every screen follows the Web Content Accessibility Guidelines 2.1 AA, as far as machines can
 * tell.
 */
class AccessibilityTest {

  private static final List<String> GUIDELINES =
      List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa");

  @RegisterExtension static final SharedDemo DEMO = SharedDemo.kept();

  private static void isAccessible(User user) {
    List<String> wrong =
        new AxeBuilder(user.page)
            .withTags(GUIDELINES).analyze().getViolations().stream()
                .map(rule -> rule.getId() + ": " + rule.getNodes().getFirst().getHtml())
                .toList();
    Assertions.assertThat(wrong).as(user.page.url()).isEmpty();
  }

  @Test
  void theWorkshop() {
    User user = DEMO.user();
    isAccessible(user.goTo("/services").sees("Berthing"));
    isAccessible(user.goTo("/services/berthing").sees("ListArrivals"));
    isAccessible(user.goTo("/services/yard/editions").sees("edition"));
    isAccessible(user.goTo("/apps").sees("Yard board"));
    isAccessible(user.goTo("/apps/duty-desk/releases").sees("Release"));
    isAccessible(user.goTo("/apps/duty-desk/start").sees("See it"));
    isAccessible(user.goTo("/samples").sees("Berthing"));
    isAccessible(user.goTo("/releases").sees("Bring an app"));
    whereThereIsMostToSee(user);
    user.press("Night watch colours");
    whereThereIsMostToSee(user);
  }

  /** The same by day and by night. */
  private static void whereThereIsMostToSee(User user) {
    isAccessible(user.goTo("/services/berthing/operations/ListArrivals").sees("GOES IN"));
    isAccessible(user.goTo("/apps/duty-desk/model").sees("Arrival"));
    isAccessible(user.build("yard-board", "List cranes").sees("What happens"));
  }

  @Test
  void finishedPages() {
    User user = DEMO.user();
    isAccessible(user.goTo("/draft/duty-desk").sees("Duty desk"));
    isAccessible(user.visit("yard-board", "List cranes").sees("12 rows"));
    isAccessible(user.visit("tide-watch", "Heights and warnings").sees("Fog on the outer pier."));
  }

  @Test
  void everyPlaceHasAnAddressAndOneThatIsNoneSaysSo() {
    User user = DEMO.user();
    isAccessible(user.goTo("/upkeep").sees("What the workspace keeps"));
    isAccessible(user.goTo("/start"));
    assertThat(user.page.getByRole(AriaRole.MAIN)).isVisible();
    isAccessible(user.goTo("/nowhere").sees("There is nothing at this address"));
  }
}
