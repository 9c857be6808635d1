package org.mapsel.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

class ArchitectureTest {

  private static final JavaClasses CLASSES =
      new ClassFileImporter()
          .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
          .importPackages("org.mapsel.server");

  @Test
  void sqlStaysInTheStores() {
    noClasses()
        .that()
        .resideOutsideOfPackage("org.mapsel.server.schema..")
        .and(
            JavaClass.Predicates.simpleNameEndingWith("Store")
                .or(JavaClass.Predicates.simpleNameEndingWith("Sql"))
                .or(JavaClass.Predicates.simpleNameStartingWith("DemoLoader"))
                .negate())
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("org.jooq..", "org.mapsel.server.schema..")
        .check(CLASSES);
  }

  @Test
  void featuresAreFreeOfCycles() {
    slices().matching("org.mapsel.server.(*)..").should().beFreeOfCycles().check(CLASSES);
  }
}
