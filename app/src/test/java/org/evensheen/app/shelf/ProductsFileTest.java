package org.evensheen.app.shelf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import org.evensheen.app.labels.ProductStore;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleProduct;
import org.evensheen.app.live.Web;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ExtendWith(LiveApp.class)
class ProductsFileTest {

    private static HttpResponse<String> bringIn(String text) {
        return Web.upload("/shelf/file", text.getBytes(StandardCharsets.UTF_8));
    }

    private static long products() {
        return LiveApp.database()
                .sql("select count(*) from product")
                .query(Long.class)
                .single();
    }

    @Test
    void whatIsTakenOutIsKnownWhenItIsBroughtIn() {
        long before = products();
        HttpResponse<String> again = bringIn(Web.get("/shelf/products.csv").body());
        assertThat(again.statusCode()).isEqualTo(200);
        assertThat(again.body()).contains("0 labels kept");
        assertThat(products()).isEqualTo(before);
    }

    @Test
    void aSpreadsheetsFileWithSemicolonsAndAMarkIsRead() {
        String name = SampleProduct.name("Sedge “Nº 1”");
        HttpResponse<String> answer = bringIn(
                "\uFEFFkind;name;label;size_ml;left_ml;come_by\r\nrinseless;%s;\"rinseless 1:240; pH 7\";500,5;100,5;gifted\r\n"
                        .formatted(name));
        assertThat(answer.body()).contains("1 label kept");
        var product = LiveApp.bean(ProductStore.class).named(name).orElseThrow();
        assertThat(product.label().print()).isEqualTo("rinseless 1:240; pH 7");
        assertThat(SampleProduct.left(product.id())).isCloseTo(100.5, within(1e-9));
        assertThat(bringIn("name,kind,label\n\"%s\",rinseless,rinseless 1:200\n".formatted(name))
                        .body())
                .contains("1 label kept");
        assertThat(LiveApp.bean(ProductStore.class).named(name).orElseThrow().labelNumber())
                .as("corrected")
                .isEqualTo(2);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "name,kind\\nA,soap|the header lacks label",
                "name,kind,label,colour\\nA,soap,pH 7,red|unknown column colour",
                "name,kind,label\\nA,dragon,pH 7|Line 2, kind: “dragon” is not one of soap",
                "name,kind,label\\nA,soap,wash 1:0|Line 2, label, at “1:0”: 1:0 holds no water",
                "name,kind,label\\nA,soap,pH 7\\na,soap,pH 7|stands in line 2 already",
                "name,kind,label,size_ml\\nA,soap,pH 7,\"1,250\"|can be 1250 or 1.2500",
                "name,kind,label,size_ml,come_by\\nA,soap,pH 7,500,found|come_by: “found” is not one of",
                "name,kind,label\\nA,soap,\"pH 7|a quote is left open",
                "''|it is empty. Choose a CSV file first"
            })
    void aFileThatIsWrongIsRefusedWholeWithItsLine(String text, String saying) {
        long before = products();
        HttpResponse<String> answer = bringIn(text.replace("\\n", "\n"));
        assertThat(answer.statusCode()).isEqualTo(422);
        assertThat(answer.body()).contains("Nothing was stored");
        assertThat(answer.body().replace("&quot;", "\"")).contains(saying);
        assertThat(products()).isEqualTo(before);
    }
}
