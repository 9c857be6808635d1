package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Apps are handed over, live on while services change, and go from one workspace to another. */
class HandoverJourneyTest {

  @RegisterExtension static final SharedDemo DEMO = SharedDemo.moved();
  private User user;

  @BeforeEach
  void sitDown() {
    user = DEMO.user();
  }

  private Locator section(String name) {
    return user.role(AriaRole.REGION, name);
  }

  @Test
  void aNewerEditionIsSeenMendedAndReleasedAndTheOldReleaseStays() {
    DEMO.standIns().turn("SECOND_EDITION");
    try {
      user.goTo("/services/berthing").press("Read the description again");
      Locator differences = user.role(AriaRole.TREEGRID, "What differs in ListArrivals");
      assertThat(differences).containsText("etaTimeUtc");
      assertThat(differences).containsText("needed or not");
      user.press("Go on with this edition");
      user.sees("the newest edition is in use");
      user.press("What moving takes");
      user.sees("Follows 1 field to another name or place");
      user.page.getByLabel("Page as it would be").click();
      user.role(AriaRole.OPTION, "List arrivals").click();
      assertThat(section("As it would be")).containsText("Arrivals");
      assertThat(section("Duty desk")).containsText("Visitors have release 1, which stays with");
      user.press("Move Duty desk");
      user.sees("uses this edition");
      user.goTo("/apps/duty-desk/releases");
      assertThat(section("The draft")).containsText("berthing is used in another edition");
      user.type("What is new, for those who use it", "Arrivals of the new edition");
      user.press("Release 2");
      assertThat(section("The draft")).containsText("Nothing differs from release 2");

      user.page.navigate(DEMO.product().address() + "/open/duty-desk");
      user.follow("List arrivals").type("Day", "2031-05-14");
      user.select("Basin", "north");
      user.press("List arrivals");
      assertThat(user.role(AriaRole.COLUMNHEADER, "Due").first()).isVisible();
      assertThat(user.page.getByRole(AriaRole.ROW).nth(1)).containsText("May");
    } finally {
      DEMO.standIns().turn("NORMAL");
    }
    user.goTo("/apps/duty-desk/releases").press("Show this one to visitors");
    assertThat(user.role(AriaRole.LISTITEM, "Release 1")).containsText("what visitors see");
    user.page.navigate(DEMO.product().address() + "/open/duty-desk");
    user.follow("List arrivals").type("Day", "2031-05-14").press("List arrivals");
    assertThat(user.page.getByRole(AriaRole.ROW).nth(1)).containsText("May");
  }

  @Test
  void aNewerFileIsComparedWithWhatIsInUse() {
    String tides = user.page.request().get(DEMO.standIns().tides()).text();
    user.goTo("/services/tides")
        .page
        .getByLabel("Newer description")
        .setInputFiles(
            new FilePayload(
                "tides.json",
                "application/json",
                tides.replace("\"addPhoto\"", "\"keepPhoto\"").getBytes(StandardCharsets.UTF_8)));
    assertThat(user.role(AriaRole.TREEGRID, "What differs in addPhoto")).containsText("keepPhoto");
    user.press("Go on with this edition").sees("the newest edition is in use");
  }

  /** On the only page of the berth ticket. */
  private User lookUpVessel(String address) {
    user.goTo(address).page.getByRole(AriaRole.MAIN).getByRole(AriaRole.LINK).click();
    return user.type("Vessel, by its hull number", "S-20417").press("Look up");
  }

  @Test
  void aReleaseCallsItsEnvironmentAndTheDraftTheDescribedOne() {
    try (StandIns live = StandIns.start()) {
      user.goTo("/services/berthing").press("Add an environment");
      user.type("What it is called", "live");
      user.type("Address of BerthingSoap11", live.berthing().replace("berthing.wsdl", "soap11"));
      user.type("Address of BerthingSoap12", live.berthing().replace("berthing.wsdl", "soap12"));
      user.press("Add it").sees("While building, call it");
      user.goTo("/apps/berth-ticket/releases").page.getByLabel("Call Berthing").click();
      user.role(AriaRole.OPTION, "in live").click();
      user.type("What is new, for those who use it", "On the live system").press("Release 2");
      assertThat(user.role(AriaRole.LISTITEM, "Release 2")).containsText("Berthing in live");

      live.turn("FAULT");
      lookUpVessel("/open/berth-ticket").sees("No vessel has this hull number.");
      lookUpVessel("/draft/berth-ticket").sees("Salt Wren was found.");
      live.turn("NORMAL");
      lookUpVessel("/open/berth-ticket").sees("Salt Wren was found.");
    }
  }

  @Test
  void aStartPageIsArrangedByKeyboardWithALiveFigure() {
    user.goTo("/apps/yard-board/start").press("+ Entry");
    user.role(AriaRole.MENUITEM, "New crane").click();
    user.sees("12 cranes");
    Locator second = user.page.getByLabel(Pattern.compile("^Entry 2, New crane"));
    second.focus();
    second.press("Alt+ArrowUp");
    assertThat(user.page.getByLabel(Pattern.compile("^Entry 1, New crane"))).isVisible();
    user.goTo("/draft/yard-board");
    assertThat(user.page.getByRole(AriaRole.LISTITEM).first()).containsText("New crane");
    user.sees("12 cranes");
    user.goTo("/open/yard-board");
    assertThat(user.page.getByRole(AriaRole.LISTITEM).first()).containsText("List cranes");
  }

  @Test
  @ExtendWith(SharedProduct.class)
  void anAppGoesAsAFileIntoAnotherWorkspace(User other) {
    user.goTo("/apps/yard-board/releases");
    Download file =
        user.page.waitForDownload(() -> user.follow("Save the draft with its descriptions"));
    other.goTo("/releases").page.getByLabel("App file").setInputFiles(file.path());
    other.sees("comes with the file");
    other.press("Bring it in");
    assertThat(other.role(AriaRole.BUTTON, "Release 1")).isVisible();
    other.follow("Start page");
    other.sees("12 cranes");
  }
}
