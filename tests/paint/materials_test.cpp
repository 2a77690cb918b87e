// What parts are made of: colours, paths and SVG, fonts, edges of cuts, what people start from.
#include <gmock/gmock.h>

#include <QBuffer>
#include <QPainter>

#include "core/formats/file_io.h"
#include "deliver/cut.h"
#include "paint/contrast.h"
#include "paint/convert.h"
#include "paint/fonts.h"
#include "paint/forms.h"
#include "paint/svg_guard.h"
#include "runtime/formats/project_file.h"
#include "runtime/machine/mix.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

using testing::HasSubstr;

// What people are given to start from, and the demo, must be readable wherever it is put.
TEST(Samples, CaptionsOfEveryKindAreReadableOnLightAndDark) {
  for (const char* file : {"data/kinds/ready-made.bristle", "data/demo/saltglass-deep.bristle"}) {
    const auto text = readFile(sourcePath(file));
    ASSERT_TRUE(text);
    const auto opened = parseProject(*text);
    ASSERT_TRUE(opened) << opened.error().text();
    const Project& project = opened->project;
    LookPainter looks;
    for (const auto& kind : project.kinds) {
      if (kind->still) continue;  // a heading has no ground of its own
      const Machine& machine = *find(project, kind->machine);
      const LookTable table(*kind, machine, naming(project));
      QImage ground(QSizeF(kind->width, kind->height).toSize(), QImage::Format_RGB32);
      for (const QColor& colour : {QColor(0xd9, 0xd6, 0xd0), QColor(0x24, 0x2a, 0x2d)})
        for (size_t s = 0; s < machine.states.size(); ++s) {
          ground.fill(colour);
          const auto found = captionContrast(looks, *kind, table.state(StateIndex(s)),
                                             kind->sampleCaption, ground);
          const bool off = machine.states[s].role == Role::Disabled;
          if (!found) continue;
          EXPECT_GE(found->ratio, off ? 3.0 : 4.5)
              << kind->name << ", " << machine.states[s].name << " on " << fromQt(colour.name());
        }
    }
  }
}

TEST(Oklch, RoundTripsEveryTenthColour) {
  for (int r = 0; r < 256; r += 15)
    for (int g = 0; g < 256; g += 15)
      for (int b = 0; b < 256; b += 15) {
        const Colour c{std::uint8_t(r), std::uint8_t(g), std::uint8_t(b), 255};
        const Colour back = fromLch(toLch(c));
        EXPECT_LE(std::abs(back.r - c.r) + std::abs(back.g - c.g) + std::abs(back.b - c.b), 3)
            << toHex(c) << " " << toHex(back);
      }
}

TEST(SvgPaths, AreReadAsTheStandardSays) {
  const auto box = [](const char* data) {
    const auto path = parseSvgPath(data);
    return path ? path->boundingRect() : QRectF(-1, -1, -1, -1);
  };
  EXPECT_EQ(box("M10 20h30v40H10z"), QRectF(10, 20, 30, 40));
  EXPECT_EQ(box("m1,1 2 2 3-3"), QRectF(1, 0, 5, 3)) << "further pairs are lines";
  EXPECT_EQ(box("M0 0C0 0 10 0 10 10S20 20 30 10"), box("M0 0C0 0 10 0 10 10C10 20 20 20 30 10"));
  EXPECT_EQ(box("M0 0Q5 10 10 0T20 0"), box("M0 0Q5 10 10 0Q15-10 20 0"));
  EXPECT_NEAR(box("M0 10A10 10 0 0120 10").height(), 10, 0.1) << "flags without spaces";
  EXPECT_NEAR(box("M0 10a10 10 0 1 0 20 0").height(), 10, 0.1);
  for (const char* bad :
       {"", "L1 1", "M1", "M1 1 X2", "M1 1L", "M1 1A1 1 0 2 0 3 3", "M1e9 0", "hello"})
    EXPECT_FALSE(parseSvgPath(bad)) << bad;
  EXPECT_FALSE(parseSvgPath("M0 0" + std::string(60000, 'z')));
}

TEST(SvgGuard, RefusesWhatCouldFetchOrBlowUp) {
  const auto why = [](const QByteArray& body, const QByteArray& head = {}) {
    const auto out = makeSafe(head +
                                  "<svg xmlns='http://www.w3.org/2000/svg' "
                                  "xmlns:xlink='http://www.w3.org/1999/xlink'>" +
                                  body + "</svg>",
                              "x.svg");
    return out ? std::string("fine") : out.error().text();
  };
  EXPECT_EQ(why("<g id='a'><rect width='3' height='3' fill='url(#b)'/></g>"), "fine");
  EXPECT_THAT(why("<text>&a;</text>", "<!DOCTYPE svg [<!ENTITY a 'aaaa'><!ENTITY b '&a;&a;'>]>"),
              HasSubstr("entities"));
  for (const char* body :
       {"<image xlink:href='http://example.test/a.png'/>", "<image href='/etc/passwd'/>",
        "<use href='other.svg#a'/>", "<rect fill='url(http://example.test/#a)'/>",
        "<style>@import 'a.css';</style>", "<image href='data:image/svg+xml;base64,AAAA'/>"})
    EXPECT_THAT(why(body), HasSubstr("outside the file")) << body;
  // A picture inside is looked at, too: what its type says is not what it would be read as.
  const auto inside = [&](const char* type, const QByteArray& bytes) {
    return why("<image href='data:" + QByteArray(type) + ";base64," + bytes.toBase64() + "'/>");
  };
  QByteArray png;
  QBuffer buffer(&png);
  QImage tiny(2, 2, QImage::Format_RGB32);
  tiny.fill(Qt::red);
  tiny.save(&buffer, "PNG");
  EXPECT_EQ(inside("image/png", png), "fine");
  const QByteArray svg = "<svg xmlns='http://www.w3.org/2000/svg'/>";
  for (const char* type : {"image/png", "image/webp", "text/plain", "image/svg+xml"})
    EXPECT_THAT(inside(type, svg), HasSubstr("no PNG, JPEG or WebP")) << type;
  EXPECT_THAT(why("<image href='data:image/png,%3Csvg/%3E'/>"), HasSubstr("no PNG, JPEG or WebP"));
  QByteArray deep;
  for (int i = 0; i < 300; ++i) deep += "<g>";
  for (int i = 0; i < 300; ++i) deep += "</g>";
  EXPECT_THAT(why(deep), HasSubstr("nested"));
  // Ten uses of ten uses of … of one rectangle.
  QByteArray bomb = "<g id='g0'><rect/></g>";
  for (int i = 1; i < 12; ++i) {
    bomb += "<g id='g" + QByteArray::number(i) + "'>";
    for (int j = 0; j < 10; ++j) bomb += "<use href='#g" + QByteArray::number(i - 1) + "'/>";
    bomb += "</g>";
  }
  EXPECT_THAT(why(bomb), HasSubstr("200,000"));
  EXPECT_THAT(why("<g id='a'><use href='#a'/></g>"), HasSubstr("200,000")) << "in a circle";
  EXPECT_THAT(why("<g>"), HasSubstr("not well-formed"));
  EXPECT_TRUE(makeSafe("<svg xmlns='http://www.w3.org/2000/svg'><script>x</script></svg>", "x")
                  ->text.indexOf("script") < 0);
  EXPECT_FALSE(makeSafe(QByteArray(17 << 20, ' '), "x.svg"));
  EXPECT_FALSE(makeSafe("<html/>", "x.svg"));
}

TEST(Fonts, AMissingFontNamesItsStandIn) {
  EXPECT_NE(standInFor("No Such Family 123"), QString());
  EXPECT_EQ(standInFor(fromQt(QFontInfo(QFont()).family())), QString());
}

TEST(Fonts, OfSeveralFamiliesTheFirstThatIsThereIsTaken) {
  const QString there = QFontInfo(QFont()).family();
  const std::string list = "No Such Family 123, " + fromQt(there);
  EXPECT_EQ(standInFor(list), QString());
  EXPECT_EQ(QFontInfo(fontOf(list, 20, 400)).family(), there);
  const FontMeasure measure;
  EXPECT_EQ(measure.measure(list, 20, 400, "Anchor").w,
            measure.measure(fromQt(there), 20, 400, "Anchor").w);
}

TEST(CutEdges, PullARectangleStraight) {
  QImage image(100, 80, QImage::Format_RGB32);
  image.fill(Qt::black);
  QPainter p(&image);
  p.fillRect(20, 10, 50, 30, Qt::white);
  p.end();
  EXPECT_EQ(snappedToEdges(image, QRect(QPoint(17, 13), QPoint(72, 37))), QRect(20, 10, 50, 30));
  EXPECT_EQ(snappedToEdges(image, QRect(75, 50, 20, 20)), QRect(75, 50, 20, 20)) << "nothing near";
  EXPECT_EQ(tightened(image, QRect(5, 2, 90, 70)), QRect(20, 10, 50, 30));
}

}  // namespace
}  // namespace bristle::test
