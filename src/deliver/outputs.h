// Makes what a delivery asks for: each output as files in memory, by the paths that they will have.
#pragma once
#include "deliver/sheets.h"
#include "runtime/document/delivery.h"

namespace bristle {

// What it is called, and in a sentence what one does with it.
struct OutputWords {
  const char* name;
  const char* about;
};
OutputWords wordsOf(OutputSort sort);

// What it is made of, and with.
struct OutputSetting {
  const Project& project;
  LookPainter& looks;
  std::string folder;         // of the project
  bool allowMissing = false;  // a stand-in for pictures that are missing or broken
  MadeProgress progress = {};
  std::vector<std::string> left = {};  // told: what could not be carried along, in words
};

// Needs a QGuiApplication. The error names what is missing, or that it was stopped; without a place
// it is the list of what is missing.
Result<std::vector<MadeFile>> makeOutput(const Output& output, OutputSetting& setting);
// All of a delivery's; two that would have the same path are an error.
Result<std::vector<MadeFile>> makeAll(const Delivery& delivery, OutputSetting& setting);
// What all of it is made of, in a word: another project, file, font, runtime or Bristle gives
// another.
std::string basisOf(const Delivery& delivery, const OutputSetting& setting);
// Where it goes: from the project's own folder, or a whole path.
std::string folderFor(const Delivery& delivery, const std::string& projectFolder);

}  // namespace bristle
