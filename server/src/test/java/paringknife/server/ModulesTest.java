package paringknife.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

class ModulesTest {
  private static final JavaClasses ALL =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("paringknife");

  @Test
  void modulesDependInOneDirection() {
    layeredArchitecture()
        .consideringOnlyDependenciesInAnyPackage("paringknife..")
        .layer("core")
        .definedBy("paringknife.core..")
        .layer("media")
        .definedBy("paringknife.media..")
        .layer("server")
        .definedBy("paringknife.server..")
        .whereLayer("server")
        .mayNotBeAccessedByAnyLayer()
        .whereLayer("media")
        .mayOnlyBeAccessedByLayers("server")
        .whereLayer("core")
        .mayOnlyBeAccessedByLayers("media", "server")
        .check(ALL);
  }

  @Test
  void theFrameworkStaysInTheServer() {
    noClasses()
        .that()
        .resideInAnyPackage("paringknife.core..", "paringknife.media..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("org.springframework..", "org.jooq..")
        .check(ALL);
  }

  @Test
  void onlyTheDatabasePackagesSpeakSql() {
    noClasses()
        .that()
        .haveSimpleNameEndingWith("Controller")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("org.jooq..")
        .check(ALL);
  }
}
