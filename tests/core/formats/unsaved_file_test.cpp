#include "core/formats/unsaved_file.h"

#include <gmock/gmock.h>
#include <signal.h>
#include <sys/wait.h>
#include <unistd.h>

#include <filesystem>
#include <fstream>

#include "support/menus.h"

namespace bristle {
namespace {

namespace fs = std::filesystem;

class Unsaved : public testing::Test {
 protected:
  Unsaved()
      : folder_((fs::temp_directory_path() / ("bristle-unsaved-" + std::to_string(::getpid())))
                    .string()) {
    fs::remove_all(folder_);
  }
  ~Unsaved() override { fs::remove_all(folder_); }
  std::string folder_;
};

const std::string& sample() {
  static const std::string text = writeProject(test::fullProject());
  return text;
}

TEST_F(Unsaved, WhatARunningWindowHoldsIsNotLeftBehind) {
  UnsavedPlace mine(folder_);
  ASSERT_TRUE(mine.write(writeUnsaved({"/x/a.bristle", {5, 6, 7}, 1234}, sample())));
  EXPECT_TRUE(fs::exists(mine.file()));
  EXPECT_TRUE(leftBehind(folder_).empty());
  mine.clear();
  EXPECT_FALSE(fs::exists(mine.file()));
}

// A child process is killed at any moment: what it wrote last in full is found, and nothing half.
TEST_F(Unsaved, WhatAKilledOneWroteIsFoundWhole) {
  const pid_t child = ::fork();
  if (child == 0) {
    UnsavedPlace place(folder_);
    for (int i = 1;; ++i)
      if (!place.write(
              writeUnsaved({"/x/a.bristle", {1'764'000'000'123'456'789, 6, 7}, i}, sample())))
        ::_exit(1);
  }
  const std::string expected = folder_ + "/" + std::to_string(child) + "-0.unsaved";
  while (!fs::exists(expected)) ::usleep(1000);
  ::usleep(20'000);
  ::kill(child, SIGKILL);
  ::waitpid(child, nullptr, 0);
  const auto left = leftBehind(folder_);
  ASSERT_EQ(left.size(), 1U);
  EXPECT_EQ(left[0].head.path, "/x/a.bristle");
  EXPECT_EQ(left[0].head.stamp, (FileStamp{1'764'000'000'123'456'789, 6, 7}));
  EXPECT_EQ(writeProject(left[0].project), sample());
  removeUnsaved(left[0].file);
  EXPECT_TRUE(leftBehind(folder_).empty());
}

TEST_F(Unsaved, TheNewestComesFirstAndWhatIsBrokenStaysUntouched) {
  fs::create_directories(folder_);
  const auto put = [&](const char* name, const std::string& text) {
    std::ofstream(folder_ + "/" + name) << text;
  };
  put("1-0.unsaved", writeUnsaved({"", {}, 10}, sample()));
  put("2-0.unsaved", writeUnsaved({"", {}, 30}, sample()));
  put("3-0.unsaved", "{\"unsaved\":1}\n{\"half");
  put("4-0.unsaved", "no line");
  const auto left = leftBehind(folder_);
  ASSERT_EQ(left.size(), 2U);
  EXPECT_EQ(left[0].head.at, 30);
  EXPECT_TRUE(fs::exists(folder_ + "/3-0.unsaved"));
}

TEST_F(Unsaved, TwoWindowsHaveTwoPlaces) {
  UnsavedPlace one(folder_), two(folder_);
  ASSERT_TRUE(one.write(writeUnsaved({}, sample())));
  ASSERT_TRUE(two.write(writeUnsaved({}, sample())));
  EXPECT_NE(one.file(), two.file());
}

}  // namespace
}  // namespace bristle
