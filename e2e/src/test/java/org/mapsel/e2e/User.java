package org.mapsel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.util.regex.Pattern;

/**
 * Somebody at the screen: finds things by their role and words, as people and screen readers do.
 */
final class User {

  final Page page;
  private final String address;
  private int actions;

  User(Browser browser, Product product) {
    this(browser, product, 1280, 800);
  }

  User(Browser browser, Product product, int width, int height) {
    this.page = browser.open(width, height);
    this.address = product.address();
  }

  User goTo(String path) {
    page.navigate(address + path);
    return this;
  }

  /** Opens a page on the bench, by the names that people gave. */
  User build(String app, String name) {
    return goTo("/apps/" + app + "/pages/" + Pages.idOf(page, address, app, name));
  }

  /** Opens a page as visitors would see the draft, by the names that people gave. */
  User visit(String app, String name) {
    return goTo("/draft/" + app + "/" + Pages.idOf(page, address, app, name));
  }

  Locator role(AriaRole role, String name) {
    return page.getByRole(role, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  /** How many times something was pressed, chosen or typed; a value that is typed is one. */
  int actions() {
    return actions;
  }

  /** Presses something that has no role of its own. */
  User press(Locator place) {
    actions++;
    place.click();
    return this;
  }

  User press(String button) {
    return press(role(AriaRole.BUTTON, button).first());
  }

  User follow(String link) {
    return press(role(AriaRole.LINK, link).first());
  }

  /** Opens a list of choices and takes one. */
  User choose(String list, String choice) {
    press(page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName(list)).first());
    return press(role(AriaRole.OPTION, choice));
  }

  /** Takes a choice of an input on a page: its list is opened, and one is taken. */
  User select(String input, String choice) {
    actions += 2;
    labelled(input).selectOption(new SelectOption().setLabel(choice));
    return this;
  }

  private Locator labelled(String label) {
    return page.getByLabel(Pattern.compile("^" + label + "\\s*\\*?$"));
  }

  /** Fills the field with this label, with or without the star of a required one. */
  User type(String label, String text) {
    actions++;
    labelled(label).fill(text);
    return this;
  }

  /** Ticks or unticks the field with this name; the first one of several. */
  User tick(String field) {
    return press(role(AriaRole.CHECKBOX, "Use " + field).first());
  }

  User keys(String... keys) {
    for (String key : keys) {
      actions++;
      page.keyboard().press(key);
    }
    return this;
  }

  User sees(String words) {
    assertThat(page.getByText(words).first()).isVisible();
    return this;
  }

  User doesNotSee(String words) {
    assertThat(page.getByText(words)).hasCount(0);
    return this;
  }

  Locator heads() {
    return page.getByRole(AriaRole.COLUMNHEADER);
  }

  /** Turns the page on the bench to running, or back. */
  User run(boolean on) {
    actions++;
    page.getByLabel("Run").setChecked(on);
    return this;
  }
}
