// What stands behind the handles of bristle.h.
#pragma once
#include <map>

#include "library/bristle.h"
#include "runtime/formats/menu_file.h"
#include "runtime/session/session.h"
#include "runtime/session/sign_reader.h"
#include "runtime/session/stick.h"

struct bristle_menu {
  explicit bristle_menu(bristle::DeliveredMenu from)
      : project(std::move(from.project)),
        measure(from.measured.texts),
        areas(std::move(from.measured.areas)) {}
  bristle::Project project;
  bristle::KnownMeasure measure;
  bristle::KnownAreas areas;
};

struct bristle_run {
  bristle_run(const bristle_menu& from, bristle::Session begun)
      : menu(from), session(std::move(begun)) {
    session.setHitTest(&from.areas);
  }
  // Feeds an event; what was handed out holds no longer.
  void feed(const bristle::InputEvent& event) {
    session.feed(event);
    seen.clear();
  }
  const bristle_menu& menu;
  bristle::Session session;
  bristle::SignReader signs;
  std::map<int, bristle::Stick> sticks;   // by unit
  std::vector<bristle::ScreenRun*> seen;  // as last asked for
  // What the texts and lists lie in that are handed out.
  std::string line, focus;
  bristle::Move move;
  std::vector<bristle_colour_stop> stops;
};
