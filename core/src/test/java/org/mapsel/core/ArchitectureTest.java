package org.mapsel.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Holds the directions of docs/architecture.md: packages use only what stands below them. */
class ArchitectureTest {

  private static final String ROOT = "org.mapsel.core.";

  /** Lowest first. Packages of one level do not know each other, except where listed below. */
  private static final List<List<String>> LEVELS =
      List.of(
          List.of("ref"),
          List.of("finding"),
          List.of("value"),
          List.of("document", "shape"),
          List.of("json", "convert", "pairing"),
          List.of("service"),
          List.of("declare"),
          List.of("read"),
          List.of("read.xsd"),
          List.of(
              "read.wsdl", "read.openapi", "read.odata", "read.sample", "read.catalogue", "link"),
          List.of("intake", "sample", "model", "message", "drift"),
          List.of("formula"),
          List.of("mapping"),
          List.of("message.soap", "message.json"),
          List.of("message.http", "message.mark"),
          List.of("message.odata"),
          List.of("exchange", "page"),
          List.of("page.reach", "release"),
          List.of("page.kind"),
          List.of("page.plan"),
          List.of("page.start", "page.run"),
          List.of("page.edit", "page.view", "page.trace"),
          List.of("page.check", "page.offer"),
          List.of("table", "appfile", "call"),
          List.of("serve", "verify"));

  private static final JavaClasses CLASSES =
      new ClassFileImporter()
          .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
          .importPackages("org.mapsel.core");

  @Test
  void packagesUseOnlyLowerLevels() {
    List<String> above = new ArrayList<>(LEVELS.stream().flatMap(List::stream).toList());
    for (List<String> level : LEVELS) {
      above.removeAll(level);
      for (String name : level) {
        List<String> forbidden = new ArrayList<>(above);
        level.stream().filter(other -> !other.equals(name)).forEach(forbidden::add);
        if (!forbidden.isEmpty()) {
          noClasses()
              .that()
              .resideInAPackage(ROOT + name)
              .should()
              .dependOnClassesThat()
              .resideInAnyPackage(forbidden.stream().map(ROOT::concat).toArray(String[]::new))
              .check(CLASSES);
        }
      }
    }
  }

  @Test
  void everyPackageHasALevel() {
    List<String> known = LEVELS.stream().flatMap(List::stream).map(ROOT::concat).toList();
    assertThat(CLASSES.stream().map(type -> type.getPackageName()).distinct().toList())
        .containsExactlyInAnyOrderElementsOf(known);
  }

  @Test
  void packagesAreFreeOfCycles() {
    slices().matching("org.mapsel.core.(**)").should().beFreeOfCycles().check(CLASSES);
  }

  @Test
  void coreKnowsNoWebDatabaseClientOrScreen() {
    noClasses()
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(
            "org.springframework..",
            "java.sql..",
            "javax.sql..",
            "java.net.http..",
            "org.jooq..",
            "java.awt..",
            "javax.swing..")
        .check(CLASSES);
  }
}
