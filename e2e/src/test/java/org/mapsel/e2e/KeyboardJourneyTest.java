package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** From a description to a page that answers, without ever touching the mouse. */
@ExtendWith(SharedProduct.class)
class KeyboardJourneyTest {

  /** Whoever needs more presses of Tab than these will take the mouse. */
  private static final int FARTHEST = 120;

  @Test
  void aPageIsMadeMappedChangedAndUsedWithTheKeyboardAlone(User user, StandIns standIns) {
    user.page.keyboard().type(standIns.berthing());
    user.keys("Enter");
    reach(user, user.role(AriaRole.BUTTON, "Take 6 operations"));
    user.keys("Enter");
    reach(user, user.role(AriaRole.LINK, "ListArrivals"));
    user.keys("Enter");
    user.sees("made up, nothing sent yet");
    reach(user, user.role(AriaRole.BUTTON, "Make a page from this"));
    user.keys("Enter").sees("What happens");

    find(user, "etaUtc");
    user.keys("Space");
    assertThat(user.role(AriaRole.CHECKBOX, "Use etaUtc")).isChecked();
    user.keys("Enter");
    user.keys("Control+a");
    user.page.keyboard().type("Due");
    user.keys("Enter");
    assertThat(user.heads().last()).hasText("Due");
    user.keys("Alt+ArrowUp");
    assertThat(user.heads().last()).not().hasText("Due");

    find(user, "limit");
    user.keys("Space");
    assertThat(user.role(AriaRole.CHECKBOX, "Use limit")).not().isChecked();
    assertThat(user.page.getByRole(AriaRole.ARTICLE)).not().containsText("Limit");
    reach(user, user.role(AriaRole.BUTTON, "Undo"));
    user.keys("Enter");
    assertThat(user.page.getByRole(AriaRole.ARTICLE)).containsText("Limit");

    reach(user, user.page.getByLabel("Run"));
    user.keys("Space").sees("Trace");
    reach(user, user.page.getByLabel("Day"));
    user.page.keyboard().type("05142031");
    user.keys("Enter").sees("24 rows");
    reach(user, user.page.getByRole(AriaRole.CELL).first());
    user.keys("Alt+Enter");
    assertThat(user.role(AriaRole.REGION, "How this value came to be")).isVisible();
  }

  /** Goes to a field of the sheet by its name, and leaves the search. */
  private static void find(User user, String field) {
    Locator sheet = user.page.getByRole(AriaRole.TREEGRID);
    reach(user, sheet);
    user.keys("/", "Control+a");
    user.page.keyboard().type(field);
    user.keys("Enter");
    assertThat(sheet).isFocused();
    user.keys("Home", "End");
  }

  private static void reach(User user, Locator wanted) {
    assertThat(wanted.first()).isVisible();
    for (int i = 0; i < FARTHEST; i++) {
      if ((boolean) wanted.first().evaluate("one => one === document.activeElement")) {
        return;
      }
      user.page.keyboard().press("Tab");
    }
    throw new AssertionError("No way there by Tab: " + wanted);
  }
}
