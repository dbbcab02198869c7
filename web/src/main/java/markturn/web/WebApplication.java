package markturn.web;

import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.data.autoconfigure.web.DataWebAutoConfiguration;

/** The application behind the pages. */
@SpringBootApplication(exclude = DataWebAutoConfiguration.class)
public class WebApplication {}
