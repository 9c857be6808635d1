package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** A spreadsheet becomes a service, and that a page. */
class TablesJourneyTest {

  @RegisterExtension static final SharedDemo DEMO = SharedDemo.kept();

  private static FilePayload file(String name, String text) {
    return new FilePayload(name, "text/csv", text.getBytes(StandardCharsets.UTF_8));
  }

  private static final String BERTHS =
      """
      Code;Basin;Depth (m);Surveyed
      N01;North;10,5;11.02.2031
      N02;North;9,75;12.02.2031
      M01;Mole;deep;13.02.2031
      M02;Mole;8,25;14.02.2031
      """;

  @Test
  void fromADroppedFileToAPageThatLooksOneRowUp() {
    User user = DEMO.user().goTo("/services");
    user.page.getByLabel("Description files").setInputFiles(file("Berth book.csv", BERTHS));
    user.sees("1 cell cannot be taken as it is");
    assertThat(user.role(AriaRole.REGION, "Wrong cells")).containsText("deep");
    user.press("Offer it without these rows").press("Try it and use it in pages");
    user.sees("List BerthBooks");
    user.follow("BerthBook").follow("Read one of BerthBooks");
    user.press("Make a page from this");
    user.run(true).type("Code", "N02").press("Read one of berth books");
    user.sees("9.75");
    user.type("Code", "M01").press("Read one of berth books");
    user.sees("There is no BerthBook with this key");
    user.page.context().close();
  }

  @Test
  void rowsAreReplacedOnceTheDifferenceWasSeen() {
    User user = DEMO.user().goTo("/services");
    String right = BERTHS.replace("deep", "8,5");
    user.page.getByLabel("Description files").setInputFiles(file("Dredged.csv", right));
    user.press("Offer it");
    user.sees("4 rows");
    String dredged =
        right
            .replace("8,25", "11,25")
            .replace("N01;North;10,5;11.02.2031\n", "")
            .replace("Depth (m)", "Water depth (m)");
    user.page.getByLabel("File with the new rows").setInputFiles(file("Dredged.csv", dredged));
    user.sees("0 rows more, 1 changed, 1 gone");
    user.sees("Depth is called Water depth (m) now");
    user.press("Take the new rows");
    user.sees("3 rows");

    user.type("Who", "Pilots").press("Give a key");
    user.sees("The key of Pilots, shown only now");
    user.page.getByLabel("only to those with a key").click();
    user.sees(", with a key");
    user.page.reload();
    assertThat(user.page.getByLabel("only to those with a key")).isChecked();
    user.sees("Pilots");
    user.doesNotSee("shown only now");
    user.page.context().close();
  }
}
