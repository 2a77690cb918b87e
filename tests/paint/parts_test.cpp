// Parts as they are painted: forms, shadows, captions, icons, pictures; SVG that is not safe.
#include <gmock/gmock.h>

#include <QBuffer>
#include <QPainter>
#include <QTemporaryDir>

#include "core/edit/kind_edits.h"
#include "core/formats/file_io.h"
#include "deliver/cut.h"
#include "paint/contrast.h"
#include "paint/convert.h"
#include "paint/fonts.h"
#include "paint/forms.h"
#include "paint/hit_shape.h"
#include "paint/svg_guard.h"
#include "runtime/formats/project_file.h"
#include "runtime/machine/mix.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

using testing::HasSubstr;

class Parts : public testing::Test {
 protected:
  Parts() : history(emptyProject()) {
    must(history, addKind("K", Wins::Hover));
    must(history, resizeKind(kind().id, 100, 60));
    for (const Part& part : std::vector(kind().parts))
      must(history, removePart(kind().id, part.id));
  }
  const Kind& kind() const { return *history.now().kinds[0]; }
  PartId add(PartType type) {
    must(history, addPart(kind().id, type, "P"));
    return kind().parts.back().id;
  }
  void set(const PartId& part, Prop prop, const char* text) {
    const PropertyInfo& info = *findProperty(*partType(kind(), part), prop);
    std::string why;
    const auto value = parseValue(text, info.start, &why);
    ASSERT_TRUE(value) << text << ": expected " << why;
    must(history, setLook(kind().id, {Column{}}, {part, prop}, *value));
  }
  QImage painted(const std::string& caption = "", Ms since = 0, int margin = 40) {
    QImage image(100 + 2 * margin, 60 + 2 * margin, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::white);
    QPainter painter(&image);
    const LookTable table(kind(), *history.now().machines[0]);
    looks.paint(painter, kind(), table, table.state(0), QRectF(margin, margin, 100, 60), caption,
                since);
    return image;
  }
  // At a place of the button.
  static QColor at(const QImage& image, int x, int y) { return image.pixelColor(x + 40, y + 40); }
  History history;
  LookPainter looks;
};

// What is looked at while they are on is where and how large the captions are.
TEST_F(Parts, SignalColoursLeaveCaptionsWhereTheyAreAndAsLarge) {
  set(add(PartType::Label), Prop::Colour, "#ff0000");
  const LookTable table(kind(), *history.now().machines[0]);
  const auto covered = [&](bool signalColours) {
    QImage image(180, 140, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::white);
    QPainter painter(&image);
    looks.setSignals(signalColours);
    looks.paintState(painter, kind(), table, 1, table.state(1), QRectF(40, 40, 100, 60), "Ahoy");
    QRect all;
    for (int y = 0; y < image.height(); ++y)
      for (int x = 0; x < image.width(); ++x)
        if (const QColor c = image.pixelColor(x, y); c.green() < 100 && c.blue() < 100)
          all |= QRect(x, y, 1, 1);
    return all;
  };
  const QRect plain = covered(false);
  ASSERT_GT(plain.width(), 20);
  const QRect tinted = covered(true);  // its edges are smoothed over another ground
  EXPECT_TRUE(plain.adjusted(-1, -1, 1, 1).contains(tinted)) << tinted.width();
  EXPECT_TRUE(tinted.adjusted(-1, -1, 1, 1).contains(plain)) << tinted.width();
}

TEST_F(Parts, EveryFormCoversWhatItShould) {
  const PartId s = add(PartType::Shape);
  set(s, Prop::Fill, "#ff0000");
  const QColor red(255, 0, 0), white(Qt::white);
  const auto corners = [&] { return at(painted(), 2, 2) == red; };
  EXPECT_TRUE(corners()) << "a rectangle";
  for (const char* form : {"ellipse", "pill", "polygon"}) {
    set(s, Prop::Form, form);
    EXPECT_FALSE(corners()) << form;
    EXPECT_EQ(at(painted(), 50, 30), red) << form;
  }
  set(s, Prop::Form, "chevron");
  EXPECT_EQ(at(painted(), 4, 30), white) << "the notch";
  EXPECT_EQ(at(painted(), 96, 30), red) << "the point";
  set(s, Prop::Form, "outline");
  set(s, Prop::Outline, "M0 0H100L0 100Z");
  EXPECT_EQ(at(painted(), 10, 10), red);
  EXPECT_EQ(at(painted(), 90, 55), white);
  set(s, Prop::Form, "rectangle");
  set(s, Prop::Radius, "0 0 30 0");
  EXPECT_EQ(at(painted(), 2, 57), red);
  EXPECT_EQ(at(painted(), 97, 57), white) << "only the bottom right corner is round";
}

TEST_F(Parts, BordersLieWhereTheyAreTold) {
  const PartId s = add(PartType::Shape);
  set(s, Prop::Fill, "#ff0000");
  set(s, Prop::BorderWidth, "10");
  set(s, Prop::BorderColour, "#0000ff");
  const QColor blue(0, 0, 255), white(Qt::white);
  EXPECT_EQ(at(painted(), 5, 30), blue);
  EXPECT_EQ(at(painted(), -3, 30), white) << "inside: the size stays";
  set(s, Prop::BorderPlace, "outside");
  EXPECT_EQ(at(painted(), -5, 30), blue);
  EXPECT_EQ(at(painted(), 5, 30), QColor(255, 0, 0));
  set(s, Prop::BorderPlace, "centre");
  EXPECT_EQ(at(painted(), 3, 30), blue);
  EXPECT_EQ(at(painted(), -3, 30), blue);
  set(s, Prop::DashOn, "10");
  set(s, Prop::DashOff, "10");
  const QImage dashed = painted();
  int gaps = 0;
  for (int x = 5; x < 95; ++x) gaps += at(dashed, x, -4) == white;
  EXPECT_GT(gaps, 20);
}

TEST_F(Parts, ShadowsFallOutsideAndInsideAndFollowTheForm) {
  const PartId s = add(PartType::Shape);
  set(s, Prop::Fill, "#ffffff");
  set(s, Prop::Form, "ellipse");
  set(s, Prop::Shadow, "0 20 0 #000000");
  EXPECT_LT(at(painted(), 50, 70).lightness(), 10) << "below the ellipse";
  EXPECT_EQ(at(painted(), 2, 78), QColor(Qt::white)) << "but not in the corner of its box";
  set(s, Prop::Shadow, "none");
  set(s, Prop::Form, "rectangle");
  set(s, Prop::InnerShadow, "0 10 4 #000000");
  EXPECT_LT(at(painted(), 50, 2).lightness(), 60);
  EXPECT_GT(at(painted(), 50, 40).lightness(), 240);
  EXPECT_EQ(at(painted(), 50, -4), QColor(Qt::white)) << "nothing outside";
  set(s, Prop::InnerShadow, "none");
  set(s, Prop::Glow, "0 0 20 #ff0000");
  EXPECT_GT(at(painted(), -6, 30).red() - at(painted(), -6, 30).green(), 20);
}

TEST_F(Parts, RadialFillsRunOutwardsFromTheirCentre) {
  const PartId s = add(PartType::Shape);
  set(s, Prop::Fill, "#ffffff #000000 radial 0 0.5 1");
  EXPECT_GT(at(painted(), 2, 30).lightness(), 240);
  EXPECT_LT(at(painted(), 97, 30).lightness(), 15);
}

TEST_F(Parts, ABevelIsLightAboveAndDarkBelow) {
  const PartId s = add(PartType::Shape);
  set(s, Prop::Fill, "#808080");
  set(s, Prop::Bevel, "6");
  EXPECT_GT(at(painted(), 50, 3).lightness(), 140);
  EXPECT_LT(at(painted(), 50, 57).lightness(), 110);
  EXPECT_EQ(at(painted(), 50, 30).lightness(), 128);
}

TEST_F(Parts, PlacesSizesTurnsAndPivots) {
  const PartId s = add(PartType::Shape);
  set(s, Prop::Fill, "#ff0000");
  set(s, Prop::Width, "20");
  set(s, Prop::Height, "10");
  const QColor red(255, 0, 0);
  EXPECT_EQ(at(painted(), 50, 30), red);
  EXPECT_NE(at(painted(), 35, 30), red);
  set(s, Prop::PinX, "end");
  set(s, Prop::OffsetX, "-5");
  EXPECT_EQ(at(painted(), 94, 30), red) << "5 px before the far edge";
  EXPECT_NE(at(painted(), 97, 30), red);
  set(s, Prop::Rotation, "90");
  EXPECT_EQ(at(painted(), 85, 38), red) << "turned about its own middle";
  set(s, Prop::Rotation, "0");
  set(s, Prop::Scale, "2");
  set(s, Prop::PivotX, "1");
  EXPECT_EQ(at(painted(), 60, 30), red) << "grown to the left, away from the pivot";
  EXPECT_NE(at(painted(), 98, 30), red);
}

TEST_F(Parts, LongCaptionsAreElidedShrunkOrBroken) {
  const PartId l = add(PartType::Label);
  set(l, Prop::Colour, "#000000");
  set(l, Prop::Size, "20");
  const auto extent = [&](const QImage& image) {
    QRect out;
    for (int y = 0; y < image.height(); ++y)
      for (int x = 0; x < image.width(); ++x)
        if (image.pixelColor(x, y).lightness() < 128) out |= QRect(x - 40, y - 40, 1, 1);
    return out;
  };
  const std::string text = "Lower the anchor chain";
  EXPECT_LE(extent(painted(text)).right(), 100) << "ellipsis";
  const LookTable table(kind(), *history.now().machines[0]);
  const PartValues values(PartType::Label, table.state(0).data());
  EXPECT_TRUE(looks.captions().isCut(values, QRectF(0, 0, 100, 60), text));
  set(l, Prop::Overflow, "shrink");
  EXPECT_LE(extent(painted(text)).right(), 101);
  EXPECT_LT(extent(painted(text)).height(), 16);
  set(l, Prop::Overflow, "spill");
  EXPECT_GT(extent(painted(text)).right(), 110);
  set(l, Prop::Overflow, "ellipsis");
  set(l, Prop::Lines, "2");
  EXPECT_GT(extent(painted("Lower anchor")).height(), 30) << "two lines";
  set(l, Prop::Lines, "1");
  set(l, Prop::Align, "start");
  set(l, Prop::Padding, "0 0 0 30");
  EXPECT_GE(extent(painted("Log")).left(), 30);
  const QImage plain = painted("log");
  set(l, Prop::Case, "upper");
  EXPECT_NE(painted("log"), plain);
  const int narrow = extent(painted("log")).width();
  set(l, Prop::Spacing, "6");
  EXPECT_GT(extent(painted("log")).width(), narrow + 8);
}

TEST_F(Parts, IconsTakeTheCaptionsColour) {
  const PartId l = add(PartType::Label), i = add(PartType::Icon);
  set(l, Prop::Colour, "#00aa00");
  set(i, Prop::Icon, "cross");
  set(i, Prop::Size, "48");
  set(i, Prop::PinX, "centre");
  EXPECT_EQ(at(painted(), 50, 30), QColor(0, 0xaa, 0));
  set(i, Prop::LikeCaption, "no");
  set(i, Prop::Colour, "#aa0000");
  EXPECT_EQ(at(painted(), 50, 30), QColor(0xaa, 0, 0));
  for (const std::string& name : iconNames()) {
    ASSERT_NE(iconPath(name), nullptr);
    const QRectF box = iconPath(name)->boundingRect();
    EXPECT_FALSE(box.isEmpty() && box.width() + box.height() == 0) << name;
    EXPECT_GE(std::min(box.left(), box.top()), 2) << name;
    EXPECT_LE(std::max(box.right(), box.bottom()), 22) << name;
  }
}

class PartFiles : public Parts {
 protected:
  PartFiles() { looks.pictures().setFolder(folder.path()); }
  void write(const char* name, const QByteArray& bytes) {
    QFile file(folder.filePath(QString::fromLatin1(name)));
    ASSERT_TRUE(file.open(QIODevice::WriteOnly));
    file.write(bytes);
  }
  QTemporaryDir folder;
};

TEST_F(PartFiles, NineSlicesKeepTheirCorners) {
  QImage image(30, 30, QImage::Format_RGB32);
  image.fill(Qt::green);
  QPainter p(&image);
  for (const QPoint& corner : {QPoint(0, 0), QPoint(20, 0), QPoint(0, 20), QPoint(20, 20)})
    p.fillRect(QRect(corner, QSize(10, 10)), Qt::red);
  p.end();
  image.save(folder.filePath(QStringLiteral("plate.png")));
  const PartId part = add(PartType::Picture);
  set(part, Prop::File, "plate.png");
  set(part, Prop::Fit, "nine-slice");
  set(part, Prop::Slices, "10");
  const QImage out = painted();
  EXPECT_EQ(at(out, 5, 5), QColor(Qt::red));
  EXPECT_EQ(at(out, 95, 55), QColor(Qt::red));
  EXPECT_EQ(at(out, 20, 5), QColor(Qt::green)) << "corners are not stretched";
  EXPECT_EQ(at(out, 50, 30), QColor(Qt::green));
}

TEST_F(PartFiles, TintAndFrames) {
  QImage sheet(80, 20, QImage::Format_RGB32);
  const QColor frames[] = {Qt::red, Qt::green, Qt::blue, Qt::black};
  QPainter p(&sheet);
  for (int i = 0; i < 4; ++i) p.fillRect(i * 20, 0, 20, 20, frames[i]);
  p.end();
  sheet.save(folder.filePath(QStringLiteral("run.png")));
  const PartId part = add(PartType::Picture);
  set(part, Prop::File, "run.png");
  set(part, Prop::FramesAcross, "4");
  set(part, Prop::FrameRate, "10");
  EXPECT_EQ(at(painted("", 5000), 50, 30), QColor(Qt::red)) << "it stands until told to play";
  set(part, Prop::Playing, "loop");
  EXPECT_EQ(at(painted("", 150), 50, 30), QColor(Qt::green));
  EXPECT_EQ(at(painted("", 450), 50, 30), QColor(Qt::red)) << "again from the start";
  set(part, Prop::Playing, "once");
  EXPECT_EQ(at(painted("", 5000), 50, 30), QColor(Qt::black)) << "the last stays";
  const LookTable table(kind(), *history.now().machines[0]);
  EXPECT_EQ(table.playsFor(0), 400);
  set(part, Prop::Tint, "#ffffff");
  EXPECT_EQ(at(painted(), 50, 30), QColor(Qt::white));
}

TEST_F(PartFiles, HitAreasFollowTheFormOrThePicture) {
  const PartId s = add(PartType::Shape);
  set(s, Prop::Fill, "#ff0000");
  set(s, Prop::Form, "ellipse");
  QImage image(100, 60, QImage::Format_ARGB32);
  image.fill(Qt::transparent);
  QPainter p(&image);
  p.fillRect(0, 0, 50, 60, QColor(0, 0, 0, 200));
  p.fillRect(50, 0, 50, 60, QColor(0, 0, 0, 60));
  p.end();
  image.save(folder.filePath(QStringLiteral("half.png")));
  const PartId picture = add(PartType::Picture);
  set(picture, Prop::File, "half.png");
  const LookTable table(kind(), *history.now().machines[0]);
  const HitShapes hits(looks.pictures());
  Kind k = kind();
  const Box box{10, 10, 100, 60};
  const auto hit = [&](double x, double y) { return hits.hits({}, k, table.state(0), box, x, y); };
  k.hitForm = HitForm::Shape;
  EXPECT_TRUE(hit(60, 40));
  EXPECT_FALSE(hit(12, 12)) << "the corner of an ellipse's box";
  k.hitForm = HitForm::Alpha;
  EXPECT_TRUE(hit(30, 40));
  EXPECT_FALSE(hit(90, 40)) << "not opaque enough";
  k.hitAlpha = 0.1;
  EXPECT_TRUE(hit(90, 40));
  EXPECT_FALSE(hit(5, 5));
  k.hitForm = HitForm::Box;
  k.hitPadding = 8;
  EXPECT_TRUE(hit(4, 4));
}

TEST_F(PartFiles, ASessionAsksForTheHitShape) {
  const PartId s = add(PartType::Shape);
  set(s, Prop::Form, "ellipse");
  must(history, changeKind(kind().id, "hit", {}, [](Kind& k) { k.hitForm = HitForm::Shape; }));
  must(history, addScreen("S"));
  must(history, addButton(history.now().screens[0]->id, kind().id, "A", 100, 100));
  PlainMeasure measure;
  auto session = Session::start(history.now(), history.now().displays[0], measure);
  ASSERT_TRUE(session);
  const HitShapes hits(looks.pictures());
  session->setHitTest(&hits);
  const auto over = [&](double x, double y) {
    session->feed({session->now() + 1, InputType::Point, Device::Mouse, x, y, {}, true});
    const auto& buttons = session->stack().back().buttons;
    for (size_t i = 0; i < buttons.size(); ++i)
      if (buttons[i].running.signals.has(Signals::Over)) return int(i);
    return -1;
  };
  EXPECT_EQ(over(103, 103), -1);
  EXPECT_EQ(over(150, 130), 0);
}

TEST_F(Parts, ContrastIsOfWhatIsReallyBehind) {
  const PartId s = add(PartType::Shape), l = add(PartType::Label);
  set(s, Prop::Fill, "#ffffff");
  set(l, Prop::Colour, "#767676");
  set(l, Prop::Size, "30");
  QImage ground(100, 60, QImage::Format_RGB32);
  ground.fill(Qt::black);
  const auto measured = [&] {
    const LookTable table(kind(), *history.now().machines[0]);
    return captionContrast(looks, kind(), table.state(0), "HHH", ground);
  };
  ASSERT_TRUE(measured());
  EXPECT_NEAR(measured()->ratio, 4.54, 0.05) << "the known grey on white";
  set(s, Prop::Opacity, "0");
  EXPECT_NEAR(measured()->ratio, contrast({0x76, 0x76, 0x76, 255}, {0, 0, 0, 255}), 0.1)
      << "the backdrop shows through";
  const Colour better = nudged({0x50, 0x50, 0x50, 255}, {0, 0, 0, 255}, 4.5);
  EXPECT_GE(contrast(better, {0, 0, 0, 255}), 4.5);
  EXPECT_LT(contrast(better, {0, 0, 0, 255}), 4.8) << "just as far as needed";
  set(l, Prop::Shown, "no");
  EXPECT_FALSE(measured()) << "no caption, no figure";
}

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
