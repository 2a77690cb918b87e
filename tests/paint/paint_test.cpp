#include <gtest/gtest.h>
#include <sys/stat.h>

#include <QFile>
#include <QImageReader>
#include <QTemporaryDir>

#include "core/edit/kind_edits.h"
#include "paint/convert.h"
#include "paint/fonts.h"
#include "paint/screen_painter.h"
#include "support/menus.h"

namespace bristle {
namespace {

struct Painted {
  Painted() : project(test::columnMenu({"Dive"})) {}
  const Kind& kind() const { return *project.kinds[0]; }
  void look(Prop prop, Value value, Column column = {}, size_t part = 0) {
    project = test::after(
        project,
        setLook(kind().id, {column}, {part == 9 ? PartId{} : kind().parts[part].id, prop}, value));
  }
  QImage draw(StateIndex state = 0, const std::string& caption = "") {
    const LookTable table(kind(), *project.machines[0]);
    QImage image(400, 200, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::white);
    QPainter painter(&image);
    looks.paint(painter, kind(), table, table.state(state), QRectF(60, 60, 280, 64), caption);
    return image;
  }
  Project project;
  LookPainter looks;
};

const Colour kRed{255, 0, 0, 255}, kBlue{0, 0, 255, 255};

TEST(Painter, FillsTheBoxAndLeavesTheRest) {
  Painted p;
  p.look(Prop::Fill, Fill::solid(kRed));
  p.look(Prop::BorderWidth, 0.0);
  const QImage image = p.draw();
  EXPECT_EQ(image.pixelColor(200, 92), QColor(Qt::red));
  EXPECT_EQ(image.pixelColor(200, 58), QColor(Qt::white));
  EXPECT_EQ(image.pixelColor(60, 60), QColor(Qt::white)) << "the corner is round";
  EXPECT_EQ(image.pixelColor(341, 92), QColor(Qt::white));
}

TEST(Painter, GradientsRunAlongTheirAngle) {
  Painted p;
  p.look(Prop::Fill, Fill::linear(0, {{0, kRed}, {1, kBlue}}));
  const QImage across = p.draw();
  EXPECT_GT(across.pixelColor(70, 92).red(), 240);
  EXPECT_GT(across.pixelColor(330, 92).blue(), 240);
  p.look(Prop::Fill, Fill::linear(90, {{0, kRed}, {1, kBlue}}));
  const QImage down = p.draw();
  EXPECT_GT(down.pixelColor(200, 66).red(), 220);
  EXPECT_GT(down.pixelColor(200, 118).blue(), 220);
  EXPECT_EQ(down.pixelColor(100, 92), down.pixelColor(300, 92));
}

TEST(Painter, AWiderBorderStaysInsideTheBox) {
  Painted p;
  p.look(Prop::BorderWidth, 8.0);
  p.look(Prop::BorderColour, kBlue);
  const QImage image = p.draw();
  EXPECT_EQ(image.pixelColor(200, 63), QColor(Qt::blue));
  EXPECT_EQ(image.pixelColor(200, 58), QColor(Qt::white));
}

TEST(Painter, ScaleGrowsAboutThePivotOnBothSides) {
  Painted p;
  p.look(Prop::Fill, Fill::solid(kRed));
  p.look(Prop::BorderWidth, 0.0);
  p.look(Prop::Scale, 1.2, {}, 9);
  const QImage image = p.draw();
  EXPECT_EQ(image.pixelColor(36, 92), QColor(Qt::red)) << "60 − 28 px at the left";
  EXPECT_EQ(image.pixelColor(363, 92), QColor(Qt::red)) << "and as much at the right";
  p.look(Prop::PivotX, 0.0, {}, 9);
  EXPECT_EQ(p.draw().pixelColor(50, 92), QColor(Qt::white));
}

TEST(Painter, ShadowsFallWhereTheyShouldAndFade) {
  Painted p;
  p.look(Prop::Shadow, Shadow{0, 20, 10, 0, {0, 0, 0, 255}});
  const QImage image = p.draw();
  EXPECT_LT(image.pixelColor(200, 134).lightness(), 60);
  EXPECT_GT(image.pixelColor(200, 52).lightness(), 250);
  const int edge = image.pixelColor(200, 144).lightness();
  EXPECT_GT(edge, 60);
  EXPECT_LT(edge, 200);
}

TEST(Painter, CaptionsAreCentredByTheHeightOfCapitals) {
  Painted p;
  p.look(Prop::Fill, Fill::solid({0, 0, 0, 255}));
  p.look(Prop::Colour, Colour{255, 255, 255, 255}, {}, 2);
  const QImage image = p.draw(0, "HHH");
  int top = 0, bottom = 0, left = 0, right = 0;
  for (int y = 62; y < 122; ++y)
    for (int x = 80; x < 320; ++x) {
      if (image.pixelColor(x, y).lightness() < 200) continue;
      if (!top) top = y;
      bottom = y;
      left = left ? std::min(left, x) : x;
      right = std::max(right, x);
    }
  ASSERT_GT(bottom, top);
  EXPECT_NEAR((top + bottom) / 2.0, 91.5, 1.5);
  EXPECT_NEAR((left + right) / 2.0, 199.5, 2);
}

TEST(Painter, APartThatIsNotShownIsNotThere) {
  Painted p;
  const QImage normal = p.draw(0), focused = p.draw(3);
  EXPECT_EQ(normal.pixelColor(200, 56), QColor(Qt::white));
  EXPECT_NE(focused.pixelColor(200, 56), QColor(Qt::white)) << "the focus ring stands 5 px outside";
}

TEST(Painter, ReachCoversAllThatIsPainted) {
  Painted p;
  p.look(Prop::Shadow, Shadow{6, 9, 20, 4, {0, 0, 0, 200}}, StateId{"hover"});
  const LookTable table(p.kind(), *p.project.machines[0]);
  const int reach = int(LookPainter::reach(p.kind(), table));
  for (StateIndex s = 0; s < table.stateCount(); ++s) {
    QImage image(280 + 2 * reach + 20, 64 + 2 * reach + 20, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::transparent);
    QPainter painter(&image);
    p.looks.paint(painter, p.kind(), table, table.state(s), QRectF(reach + 10, reach + 10, 280, 64),
                  "Caption");
    for (int x = 0; x < image.width(); ++x)
      for (int y : {0, 4, image.height() - 5, image.height() - 1})
        EXPECT_LE(qAlpha(image.pixel(x, y)), 2);
  }
}

class PictureFiles : public testing::Test {
 protected:
  void SetUp() override { pictures.setFolder(folder.path()); }
  void write(const QString& name, const QByteArray& bytes) {
    QFile file(folder.filePath(name));
    ASSERT_TRUE(file.open(QIODevice::WriteOnly));
    file.write(bytes);
  }
  std::string problem(const std::string& file) { return fromQt(pictures.get(file).problem); }
  QTemporaryDir folder;
  Pictures pictures;
};

TEST_F(PictureFiles, GoodOnesLoad) {
  QImage image(20, 10, QImage::Format_ARGB32);
  image.fill(Qt::green);
  image.save(folder.filePath(QStringLiteral("a.png")));
  EXPECT_EQ(problem("a.png"), "");
  EXPECT_EQ(pictures.get("a.png").image.size(), QSize(20, 10));
  write(QStringLiteral("b.svg"),
        "<svg xmlns='http://www.w3.org/2000/svg' width='8' height='6'><rect width='8' "
        "height='6'/></svg>");
  EXPECT_EQ(pictures.get("b.svg").image.size(), QSize(8, 6));
}

// Left half red, right half blue.
QImage halves(int width, int height) {
  QImage image(width, height, QImage::Format_ARGB32);
  image.fill(Qt::red);
  QPainter(&image).fillRect(width / 2, 0, width / 2, height, Qt::blue);
  return image;
}

TEST_F(PictureFiles, AreDrawnAtTheirPlaceWhateverTheScaleOfThePainter) {
  halves(40, 20).save(folder.filePath(QStringLiteral("h.png")));
  for (const double scale : {1.0, 0.5, 2.25}) {
    for (int again = 0; again < 2; ++again) {  // the second time from what was kept
      QImage canvas(QSize(qRound(200 * scale), qRound(100 * scale)), QImage::Format_RGB32);
      canvas.fill(Qt::white);
      QPainter painter(&canvas);
      painter.scale(scale, scale);
      pictures.draw(painter, QRectF(40, 20, 120, 60), {"h.png", "whole"});
      const auto at = [&](double x, double y) {
        return canvas.pixelColor(qRound(x * scale), qRound(y * scale));
      };
      EXPECT_EQ(at(60, 50), QColor(Qt::red)) << scale;
      EXPECT_EQ(at(140, 50), QColor(Qt::blue)) << scale;
      EXPECT_EQ(at(30, 50), QColor(Qt::white)) << scale;
      EXPECT_EQ(at(100, 10), QColor(Qt::white)) << scale;
      painter.fillRect(QRectF(0, 0, 10, 10), Qt::green);
      EXPECT_EQ(at(5, 5), QColor(Qt::green)) << "the painter is as it was";
    }
  }
}

TEST_F(PictureFiles, FitSaysHowTheShapesMeet) {
  halves(40, 20).save(folder.filePath(QStringLiteral("h.png")));
  const auto drawn = [&](const std::string& fit) {
    QImage canvas(100, 100, QImage::Format_RGB32);
    canvas.fill(Qt::white);
    QPainter painter(&canvas);
    pictures.draw(painter, QRectF(10, 10, 80, 80), {"h.png", fit});
    return canvas;
  };
  EXPECT_EQ(drawn("contain").pixelColor(20, 20), QColor(Qt::white)) << "above the picture";
  EXPECT_EQ(drawn("contain").pixelColor(20, 50), QColor(Qt::red));
  EXPECT_EQ(drawn("whole").pixelColor(20, 20), QColor(Qt::red)) << "stretched";
  EXPECT_EQ(drawn("cover").pixelColor(20, 20), QColor(Qt::red));
  EXPECT_EQ(drawn("cover").pixelColor(5, 50), QColor(Qt::white)) << "cut at the edge";
}

TEST_F(PictureFiles, ATurnedPainterTurnsThePicture) {
  halves(40, 20).save(folder.filePath(QStringLiteral("h.png")));
  QImage canvas(100, 100, QImage::Format_RGB32);
  canvas.fill(Qt::white);
  QPainter painter(&canvas);
  painter.translate(50, 50);
  painter.rotate(90);
  pictures.draw(painter, QRectF(-40, -20, 80, 40), {"h.png", "whole"});
  EXPECT_EQ(canvas.pixelColor(50, 20), QColor(Qt::red));
  EXPECT_EQ(canvas.pixelColor(50, 80), QColor(Qt::blue));
}

TEST_F(PictureFiles, WhatCannotBeShownSaysWhy) {
  write(QStringLiteral("broken.png"), "\x89PNG\r\n\x1a\n and then nothing");
  EXPECT_EQ(problem("broken.png").substr(0, 7), "broken:");
  EXPECT_EQ(problem("none.png").substr(0, 8), "missing:");
  EXPECT_EQ(problem(""), "no file");
  EXPECT_EQ(problem("../../../../../../../../etc/passwd").substr(0, 11), "outside the");
  EXPECT_EQ(problem("/etc/passwd").substr(0, 11), "outside the");
}

TEST_F(PictureFiles, AHugePictureIsRefusedBeforeItIsRead) {
  // A PNG header that declares 100,000 × 100,000 px.
  QByteArray header("\x89PNG\r\n\x1a\n", 8);
  QByteArray chunk("IHDR\x00\x01\x86\xa0\x00\x01\x86\xa0\x08\x06\x00\x00\x00", 17);
  header += QByteArray("\x00\x00\x00\x0d", 4) + chunk;
  quint32 crc = 0xffffffff;
  for (const char c : chunk) {
    crc ^= static_cast<unsigned char>(c);
    for (int k = 0; k < 8; ++k) crc = crc & 1 ? 0xedb88320 ^ (crc >> 1) : crc >> 1;
  }
  crc = ~crc;
  for (int shift : {24, 16, 8, 0}) header += static_cast<char>(crc >> shift & 0xff);
  header += QByteArray("\x00\x00\x00\x0aIDAT0123456789....", 22);
  write(QStringLiteral("huge.png"), header);
  EXPECT_EQ(problem("huge.png").substr(0, 31), "too large, 100000 × 100000 px,");
}

// What a file is, is told by its bytes, whatever it is called.
TEST_F(PictureFiles, AreReadByTheirBytesNotByTheirNames) {
  const QByteArray svg =
      "<svg xmlns='http://www.w3.org/2000/svg' width='4' height='4'><image "
      "href='/etc/passwd'/></svg>";
  for (const char* name : {"a.png", "a.webp", "a.svg", "a"}) {
    write(QString::fromLatin1(name), svg);
    EXPECT_NE(problem(name).find("outside the file"), std::string::npos) << name;
  }
  write(QStringLiteral("packed.svgz"), QByteArray("\x1f\x8b\x08\x00 whatever", 14));
  EXPECT_NE(problem("packed.svgz").find("compressed"), std::string::npos);
  halves(4, 4).save(folder.filePath(QStringLiteral("real.png")));
  QFile::rename(folder.filePath(QStringLiteral("real.png")),
                folder.filePath(QStringLiteral("real.svg")));
  EXPECT_EQ(problem("real.svg"), "");
  write(QStringLiteral("other.gif"), "GIF89a....");
  EXPECT_EQ(problem("other.gif").substr(0, 7), "no PNG,");
}

TEST_F(PictureFiles, APipeAsAPictureIsNotWaitedFor) {
  ASSERT_EQ(::mkfifo(fromQt(folder.filePath(QStringLiteral("pipe.png"))).c_str(), 0600), 0);
  EXPECT_NE(problem("pipe.png").find("a pipe"), std::string::npos);
}

TEST_F(PictureFiles, TheStandInIsMarkedAndKeepsPlaceAndSize) {
  QImage image(300, 200, QImage::Format_ARGB32_Premultiplied);
  image.fill(Qt::black);
  QPainter painter(&image);
  pictures.draw(painter, QRectF(50, 40, 200, 120), {"none.png", "contain"});
  painter.end();
  EXPECT_GT(image.pixelColor(60, 100).lightness(), 150);
  EXPECT_EQ(image.pixelColor(45, 100), QColor(Qt::black));
  EXPECT_EQ(image.pixelColor(255, 100), QColor(Qt::black));
  int brick = 0;
  for (int x = 50; x < 250; ++x)
    brick += image.pixelColor(x, 100).red() > image.pixelColor(x, 100).blue() + 80;
  EXPECT_GT(brick, 0) << "the cross";
}

TEST(SessionPainter, ShowsTheStateAndDimsWhatIsBelow) {
  History h(test::columnMenu({"One"}));
  test::must(h, addScreen("Top"));
  const ScreenId top = h.now().screens[1]->id;
  test::must(h, changeScreen(top, "dim", {}, [](Screen& s) {
               s.backdrop = {};
               s.dimBelow = 0.5;
             }));
  test::must(h,
             setAction(h.now().first, test::buttons(h.now())[0], {ActionType::PutOnTop, top, {}}));
  test::must(h, changeScreen(h.now().first, "back", {}, [](Screen& s) {
               s.backdrop = Fill::solid({200, 200, 200, 255});
             }));
  const FontMeasure measure;
  auto session = Session::start(h.now(), h.now().displays[0], measure);
  ASSERT_TRUE(session);
  LookPainter looks;
  const auto shot = [&] {
    QImage image(1920, 1080, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::black);
    QPainter painter(&image);
    paintSession(painter, looks, *session);
    return image;
  };
  EXPECT_EQ(shot().pixelColor(1800, 900), QColor(200, 200, 200));
  session->feed({0, InputType::Accept, Device::Keyboard, 0, 0, {}, true});
  session->feed({10, InputType::Accept, Device::Keyboard, 0, 0, {}, false});
  ASSERT_EQ(session->stack().size(), 2U);
  EXPECT_NEAR(shot().pixelColor(1800, 900).red(), 100, 2);
}

}  // namespace
}  // namespace bristle
