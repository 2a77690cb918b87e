# The runtime for a game's own code, with an interface in C: shared, static, its header and what
# pkg-config needs to know.
bristle_layer(library LINKS bristle_runtime)
target_compile_options(bristle_library PRIVATE -fno-exceptions -fvisibility=hidden)
set_target_properties(bristle_library PROPERTIES POSITION_INDEPENDENT_CODE ON)
foreach(sort SHARED STATIC)
  string(TOLOWER bristle_c_${sort} name)
  add_library(${name} ${sort} $<TARGET_OBJECTS:bristle_library> $<TARGET_OBJECTS:bristle_runtime>)
  target_link_libraries(${name} PRIVATE bristle_options)
  set_target_properties(${name} PROPERTIES OUTPUT_NAME bristle LINKER_LANGUAGE CXX
    ARCHIVE_OUTPUT_DIRECTORY ${CMAKE_BINARY_DIR}/library LIBRARY_OUTPUT_DIRECTORY ${CMAKE_BINARY_DIR}/library)
endforeach()
# The number of the interface (BRISTLE_ABI) is that of the file. Of what it is made of nothing shows.
set_target_properties(bristle_c_shared PROPERTIES VERSION ${PROJECT_VERSION} SOVERSION 1)
target_link_options(bristle_c_shared PRIVATE
  -Wl,--version-script=${CMAKE_CURRENT_SOURCE_DIR}/cmake/library.map -Wl,--no-undefined)
set_target_properties(bristle_c_shared PROPERTIES LINK_DEPENDS ${CMAKE_CURRENT_SOURCE_DIR}/cmake/library.map)
if(BRISTLE_SANITIZE)
  set(LIBRARY_NEEDS "-fsanitize=address,undefined")
endif()
include(GNUInstallDirs)
file(RELATIVE_PATH LIBRARY_HEADERS ${CMAKE_INSTALL_FULL_LIBDIR}/pkgconfig ${CMAKE_INSTALL_FULL_INCLUDEDIR})
configure_file(cmake/bristle.pc.in ${CMAKE_BINARY_DIR}/library/bristle.pc @ONLY)
install(TARGETS bristle_c_shared bristle_c_static COMPONENT library
  ARCHIVE DESTINATION ${CMAKE_INSTALL_LIBDIR} LIBRARY DESTINATION ${CMAKE_INSTALL_LIBDIR})
install(FILES src/library/bristle.h DESTINATION ${CMAKE_INSTALL_INCLUDEDIR} COMPONENT library)
install(FILES ${CMAKE_BINARY_DIR}/library/bristle.pc DESTINATION ${CMAKE_INSTALL_LIBDIR}/pkgconfig COMPONENT library)
