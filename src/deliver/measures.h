// What a project asks of fonts and pictures on its displays, for running it where there are none.
#pragma once
#include "paint/pictures.h"
#include "runtime/document/project.h"
#include "runtime/formats/measured_file.h"

namespace bristle {

// Of every screen on every display. Needs a QGuiApplication, since fonts do.
Measured measureAll(const Project& project, Pictures& pictures);

}  // namespace bristle
