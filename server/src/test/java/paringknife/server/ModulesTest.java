package paringknife.server;

import static com.tngtech.archunit.base.DescribedPredicate.not;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

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
  void packagesDoNotGoRoundInCircles() {
    slices().matching("paringknife.media.(**)").should().beFreeOfCycles().check(ALL);
    JavaClasses written = ALL.that(not(resideInAPackage("..database.generated..")));
    slices().matching("paringknife.server.(**)").should().beFreeOfCycles().check(written);
  }

  /** What is written for machines is the same in Cairo and in Istanbul. */
  @Test
  void nothingIsFormattedAsTheServersCountryWould() {
    noClasses()
        .should()
        .callMethod(String.class, "format", String.class, Object[].class)
        .check(ALL);
    noClasses().should().callMethod(String.class, "toLowerCase").check(ALL);
    noClasses().should().callMethod(String.class, "toUpperCase").check(ALL);
    noClasses().should().callMethod(String.class, "formatted", Object[].class).check(ALL);
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
