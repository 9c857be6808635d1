package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.KeyboardModifier;
import com.microsoft.playwright.options.ScreenshotAnimations;
import java.nio.file.Path;
import java.util.List;

/** Takes one picture of each main view from the demo data, as the README shows them. */
public final class Screenshots {

  private static final Path BERTH_BOOK =
      Path.of("../core/src/test/resources/tables/berth-book.xlsx");
  private static final int WIDTH = 1280;
  private static final int HEIGHT = 800;

  private final Path folder;
  private final Product product;
  private final Browser browser;

  private Screenshots(Path folder, Product product, Browser browser) {
    this.folder = folder;
    this.product = product;
    this.browser = browser;
  }

  public static void main(String[] arguments) {
    try (Product product = Product.withDemo();
        Browser browser = new Browser()) {
      new Screenshots(Path.of(arguments[0]), product, browser).takeAll();
    }
  }

  private void takeAll() {
    Page page = browser.open(WIDTH, HEIGHT);
    page.navigate(product.address());
    assertThat(page.getByRole(AriaRole.LINK, link("Berthing"))).isVisible();
    for (String pictured : List.of("Declare an arrival", "Make out the ticket", "List arrivals")) {
      assertThat(page.getByText(pictured).first()).isVisible();
    }
    take(page, "1-start");
    intake(page);
    operation(page);
    bench(page);
    run(page);
    pages(page);
    model(page);
    access(page);
    entities(page);
    tables(page);
    sample(page);
    catalogue(page);
    nightWatch(page);
    finished();
    press(page, "Daylight colours");
    samples(page);
    handOver(page);
  }

  private static Page.GetByRoleOptions link(String name) {
    return new Page.GetByRoleOptions().setName(name);
  }

  private static void press(Page page, String button) {
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(button).setExact(true))
        .first()
        .click();
  }

  private void intake(Page page) {
    page.getByLabel("Address or text of a description").fill(product.standIns().berthing());
    press(page, "Read");
    assertThat(page.getByText("reservation*, priority*")).isVisible();
    take(page, "2-intake");
  }

  private void operation(Page page) {
    page.navigate(product.address() + "/services/berthing/operations/ListArrivals");
    page.getByLabel("day value").fill("2031-05-14");
    page.getByLabel("day value").press("Control+Enter");
    assertThat(page.getByText("just answered")).isVisible();
    for (String field : new String[] {"name", "hullNumber", "etaUtc", "berth"}) {
      page.getByRole(
              AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("Use " + field).setExact(true))
          .check();
    }
    take(page, "3-operation");
    press(page, "Show the wire");
    assertThat(page.getByLabel("Request body")).isVisible();
    take(page, "4-wire");
  }

  private void bench(Page page) {
    bench(page, "duty-desk", "List arrivals");
    assertThat(page.getByRole(AriaRole.TREEGRID)).isVisible();
    page.getByRole(AriaRole.COLUMNHEADER, new Page.GetByRoleOptions().setName("Hull")).click();
    take(page, "5-bench");
  }

  private void run(Page page) {
    page.getByLabel("Run").check();
    press(page, "List arrivals");
    assertThat(page.getByText("24 rows")).isVisible();
    page.getByRole(AriaRole.CELL, new Page.GetByRoleOptions().setName("Salt Wren"))
        .first()
        .click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.ALT)));
    assertThat(page.locator("mark")).hasText("Salt Wren");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Cargo: 2"))
        .first()
        .click();
    take(page, "6-run");
  }

  private void pages(Page page) {
    page.navigate(product.address() + "/apps");
    assertThat(page.locator("section[aria-label='Tide watch'] svg path[class*=MuiLine]"))
        .isAttached();
    take(page, "7-pages");
  }

  private void model(Page page) {
    page.navigate(product.address() + "/apps/duty-desk/model");
    page.getByLabel("Record types")
        .getByText("Arrival", new Locator.GetByTextOptions().setExact(true))
        .click();
    assertThat(page.getByLabel("Tick Berthed for")).isVisible();
    take(page, "18-model");
  }

  private void access(Page page) {
    page.navigate(product.address() + "/services/berthing");
    press(page, "Change access");
    page.getByLabel("Login").first().click();
    page.getByRole(
            AriaRole.OPTION, new Page.GetByRoleOptions().setName("User and password (Digest)"))
        .click();
    take(page, "11-access");
  }

  private void entities(Page page) {
    page.navigate(product.address() + "/services/yard/operations/Cranes.list");
    press(page, "Send");
    assertThat(page.getByText("just answered")).isVisible();
    bench(page, "yard-board", "List cranes");
    assertThat(page.getByText("Old Meg").first()).isVisible();
    take(page, "13-yard-board");
  }

  private void tables(Page page) {
    page.navigate(product.address() + "/services");
    page.getByLabel("Description files").setInputFiles(BERTH_BOOK);
    assertThat(page.getByText("3 cells cannot be taken")).isVisible();
    page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Basins").setExact(true))
        .getByLabel("Offer Basins")
        .uncheck();
    page.getByText("3 cells cannot be taken").scrollIntoViewIfNeeded();
    take(page, "16-tables");
  }

  private void sample(Page page) {
    page.navigate(product.address() + "/services");
    page.getByLabel("Address or text of a description").fill(product.standIns().rosterSample());
    press(page, "Read");
    press(page, "Take 1 operation");
    press(page, "day, 2031-05-13");
    assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setPressed(true)))
        .hasCount(2);
    take(page, "14-sample");
  }

  private void catalogue(Page page) {
    page.navigate(product.address() + "/services");
    page.getByLabel("Address or text of a description").fill(product.standIns().catalogue());
    press(page, "Read");
    assertThat(page.getByText("A list of 305 services")).isVisible();
    page.getByLabel("Find a service in the list").fill("yard");
    take(page, "15-catalogue");
  }

  private void nightWatch(Page page) {
    bench(page, "duty-desk", "List arrivals");
    press(page, "Night watch colours");
    press(page, "Show the wire");
    assertThat(page.getByLabel("Request body")).isVisible();
    take(page, "10-night-watch");
  }

  private void finished() {
    Page phone = browser.open(390, 800);
    phone.navigate(
        product.address()
            + "/open/duty-desk/"
            + Pages.idOf(phone, product.address(), "duty-desk", "List arrivals"));
    phone.getByLabel("Day").fill("2031-05-14");
    press(phone, "List arrivals");
    assertThat(phone.getByText("24 rows")).isVisible();
    take(phone, "8-phone");
  }

  private void handOver(Page page) {
    product.standIns().turn("SECOND_EDITION");
    page.navigate(product.address() + "/services/berthing");
    press(page, "Read the description again");
    assertThat(page.getByText("etaTimeUtc").first()).isVisible();
    press(page, "What moving takes");
    assertThat(page.getByLabel("As it would be").getByText("Berthed for").first()).isVisible();
    take(page, "17-editions");
    product.standIns().turn("NORMAL");
    press(page, "Go on with this edition");
    assertThat(page.getByText("the newest edition is in use")).isVisible();
    press(page, "What moving takes");
    press(page, "Move Duty desk");
    assertThat(page.getByText("uses this edition")).isVisible();
    page.navigate(product.address() + "/apps/duty-desk/releases");
    page.getByLabel("What is new, for those who use it").fill("Keyed lengths, berths by basin");
    take(page, "9-releases");
    page.navigate(product.address() + "/open");
    assertThat(page.getByText("12 cranes")).isVisible();
    take(page, "12-start-page");
  }

  private void samples(Page page) {
    page.navigate(product.address() + "/services/berthing/operations/ListArrivals");
    press(page, "Send");
    assertThat(page.getByText("just answered")).isVisible();
    press(page, "Samples");
    page.getByText("Keep this answer…").click();
    page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Name of the sample"))
        .fill("A usual day");
    press(page, "Keep it");
    page.navigate(product.address() + "/samples");
    press(page, "Pin as check");
    product.standIns().turn("SECOND_EDITION");
    press(page, "Run all checks");
    press(page, "What differs");
    assertThat(page.getByText("pilotOrdered")).isVisible();
    take(page, "20-samples");
    product.standIns().turn("NORMAL");
  }

  private void take(Page page, String name) {
    page.screenshot(
        new Page.ScreenshotOptions()
            .setAnimations(ScreenshotAnimations.DISABLED)
            .setPath(folder.resolve(name + ".png")));
  }

  private void bench(Page page, String app, String name) {
    page.navigate(
        product.address()
            + "/apps/"
            + app
            + "/pages/"
            + Pages.idOf(page, product.address(), app, name));
  }
}
