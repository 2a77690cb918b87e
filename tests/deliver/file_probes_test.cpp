// What is told of files beside a project: read from real ones.
#include "deliver/file_probes.h"

#include <gmock/gmock.h>
#include <sndfile.h>

#include <QDir>
#include <QImage>
#include <QTemporaryDir>

#include "core/edit/kind_edits.h"
#include "core/findings/check.h"
#include "core/formats/file_io.h"
#include "support/sound_menu.h"

namespace bristle::test {
namespace {

using testing::ElementsAre;
using testing::HasSubstr;
using testing::IsEmpty;

// An OpenType font with nothing but the table that says who may carry it along.
std::string font(unsigned char bits) {
  std::string out("OTTO\0\1\0\0\0\0\0\0", 12);
  out += std::string("OS/2\0\0\0\0\0\0\0\x1c\0\0\0\x0a", 16);
  out += std::string(8, '\0') + '\0' + static_cast<char>(bits);
  return out;
}

class Files : public testing::Test {
 protected:
  Files() {
    for (const char* each : {"art", "sounds", "fonts", "holidays"}) QDir(dir.path()).mkdir(each);
  }
  std::string at(const std::string& file) const { return dir.path().toStdString() + "/" + file; }
  void picture(const std::string& file, int w, int h) {
    QImage image(w, h, QImage::Format_RGB32);
    image.fill(Qt::red);
    ASSERT_TRUE(image.save(QString::fromStdString(at(file))));
  }
  // So many samples at the very end of what can be said.
  void sound(const std::string& file, int loudest) {
    SF_INFO info{};
    info.channels = 1;
    info.samplerate = 8000;
    info.format = SF_FORMAT_WAV | SF_FORMAT_PCM_16;
    SNDFILE* out = sf_open(at(file).c_str(), SFM_WRITE, &info);
    ASSERT_TRUE(out);
    std::vector<short> samples(400, 1000);
    for (int i = 0; i < loudest; ++i) samples[size_t(100 + i)] = 32767;
    sf_write_short(out, samples.data(), sf_count_t(samples.size()));
    sf_close(out);
  }
  std::vector<std::string> rules(const Project& p) {
    std::vector<std::string> out;
    for (const Finding& f : check(p, probes.probes())) out.emplace_back(f.rule);
    return out;
  }
  // The picture of a part in rest, and when pointed at.
  void show(const std::string& rest, const std::string& hover) {
    History h(menu.project);
    if (part.text.empty()) must(h, addPart(h.now().kinds[0]->id, PartType::Picture, "Art"));
    menu.project = h.now();
    part = menu.kind().parts.back().id;
    for (const Part& each : menu.kind().parts)
      if (each.type == PartType::Picture) part = each.id;
    menu.kind().base.set({part, Prop::File}, rest);
    menu.kind().departures[menu.machine().states[1].id].set({part, Prop::File}, hover);
  }
  QTemporaryDir dir;
  FileProbes probes{dir.path().toStdString()};
  Sound menu;
  PartId part;
};

TEST_F(Files, PicturesAreAsLargeAsTheyAreShown) {
  menu.kind().width = 300;
  menu.kind().height = 300;
  picture("art/a.png", 600, 600);
  show("art/a.png", "art/a.png");
  EXPECT_THAT(rules(menu.project), IsEmpty());
  picture("art/a.png", 606, 606);
  EXPECT_THAT(rules(menu.project), ElementsAre("picture-large"));
  menu.project.displays[0].scale = 2;
  EXPECT_THAT(rules(menu.project), IsEmpty()) << "there it is shown twice as large";
}

TEST_F(Files, PicturesOfStatesAreEquallyLarge) {
  picture("art/a.png", 60, 40);
  picture("art/b.png", 60, 41);
  show("art/a.png", "art/b.png");
  const Findings all = check(menu.project, probes.probes());
  ASSERT_EQ(all.size(), 1U);
  EXPECT_EQ(all[0].rule, "picture-sizes");
  EXPECT_THAT(all[0].reason, HasSubstr("60 × 41"));
  picture("art/b.png", 60, 40);
  EXPECT_THAT(rules(menu.project), IsEmpty()) << "read again, since the file is another one";
}

TEST_F(Files, SoundsDoNotClip) {
  sound("sounds/tick.wav", 8);
  menu.project.settings.openSound = "sounds/tick.wav";
  EXPECT_THAT(rules(menu.project), IsEmpty());
  sound("sounds/tick.wav", 9);
  EXPECT_THAT(rules(menu.project), ElementsAre("sound-clips"));
}

TEST_F(Files, WhatNothingUsesIsToldWhereTheProjectHasFiles) {
  picture("art/a.png", 60, 40);
  picture("art/left.png", 60, 40);
  picture("holidays/sea.png", 60, 40);
  show("art/a.png", "art/a.png");
  const Findings all = check(menu.project, probes.probes());
  ASSERT_EQ(all.size(), 1U);
  EXPECT_EQ(all[0].rule, "unused");
  EXPECT_THAT(all[0].place, HasSubstr("art/left.png"));
}

// OpenType 1.9, OS/2: bit 1 is “Restricted License embedding”; the others let it be carried along
// in some way.
TEST_F(Files, FontsMayBeCarriedAlong) {
  EXPECT_TRUE(isClosedFont(font(2)));
  for (const unsigned char open : {0, 4, 8}) EXPECT_FALSE(isClosedFont(font(open)));
  for (size_t length = 0; length < font(2).size(); ++length)
    EXPECT_FALSE(isClosedFont(font(2).substr(0, length))) << "cut short";
  ASSERT_TRUE(writeFile(at("fonts/mine.otf"), font(0)));
  EXPECT_THAT(rules(menu.project), IsEmpty());
  ASSERT_TRUE(writeFile(at("fonts/theirs.otf"), font(2)));
  EXPECT_THAT(rules(menu.project), ElementsAre("font-closed"));
}

TEST_F(Files, WhatCannotBeReadIsNotJudged) {
  ASSERT_TRUE(writeFile(at("art/a.png"), "no picture"));
  ASSERT_TRUE(writeFile(at("sounds/tick.wav"), "no sound"));
  show("art/a.png", "art/a.png");
  menu.project.settings.openSound = "sounds/tick.wav";
  EXPECT_THAT(rules(menu.project), testing::UnorderedElementsAre("picture", "sound"));
}

}  // namespace
}  // namespace bristle::test
