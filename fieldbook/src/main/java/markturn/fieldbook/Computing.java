package markturn.fieldbook;

import java.util.function.DoubleConsumer;
import java.util.function.Function;
import markturn.survey.SurveyResult;

/** How a book comes by what is computed of it: at once, or beside the pages and waited for. */
public interface Computing {
    /** Computed when first asked for, by whoever asks. */
    Computing AT_ONCE = work -> new Computed() {
        private SurveyResult result;

        @Override
        public synchronized SurveyResult result() {
            if (result == null) {
                result = work.apply(share -> {});
            }
            return result;
        }
    };

    /** @param work computes; tells the share that is done, and ends with what that throws */
    Computed of(Function<DoubleConsumer, SurveyResult> work);

    /** What is computed of one book, once. */
    interface Computed {
        /** For a page that is waited for. */
        SurveyResult result();

        /** However long it takes. */
        default SurveyResult inTheEnd() {
            return result();
        }
    }
}
