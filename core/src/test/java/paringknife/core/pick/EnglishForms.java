package paringknife.core.pick;

import org.apache.lucene.analysis.en.EnglishAnalyzer;
import org.tartarus.snowball.ext.EnglishStemmer;

/** English as Lucene's own stemmer and stop words have it. */
public final class EnglishForms implements WordForms {
  @Override
  public String stem(String bare) {
    EnglishStemmer stemmer = new EnglishStemmer();
    stemmer.setCurrent(bare);
    stemmer.stem();
    return stemmer.getCurrent();
  }

  @Override
  public boolean isFunctionWord(String bare) {
    return EnglishAnalyzer.getDefaultStopSet().contains(bare);
  }
}
