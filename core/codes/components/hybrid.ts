import { part, type Component } from '../part.ts';

/** Hybrid and electric drive. */
export const HYBRID_PARTS = {
  'traction-battery': part('traction battery', 'hybrid battery pack', 'hybrid', 'The big battery that drives the car. It can kill; only licensed people open it.'),
  'traction-battery-fan': part('traction battery fan', 'hybrid battery pack cooling fan', 'hybrid', 'It cools the big battery; a blocked grille in the cabin starves it.'),
  'traction-battery-sensor': part('traction battery heat sensor', 'hybrid battery temperature sensor', 'hybrid', 'It measures how warm the big battery is.'),
  'traction-battery-current': part('traction battery current', 'hybrid battery pack current sensor', 'hybrid', 'It measures what flows in and out of the big battery.'),
  'battery-cut-off': part('battery cut-off', 'battery power off circuit', 'hybrid', 'It takes the big battery off the wires.'),
  'high-voltage-contactor': part('contactor', 'hybrid battery contactor', 'hybrid', 'A big relay that joins the battery to the drive.'),
  'high-voltage-fuse': part('high-voltage fuse', 'high voltage fuse', 'hybrid', 'It blows when too much flows; licensed people find out why first.'),
  'high-voltage-interlock': part('high-voltage interlock', 'high voltage system interlock', 'hybrid', 'A loop through every orange plug and cover; open, the drive is cut.'),
  'high-voltage-isolation': part('high-voltage isolation', 'hybrid battery voltage system isolation', 'hybrid', 'The orange wires must have no path to the body. Do not touch the car’s wires while it is low.'),
  'dc-converter': part('DC converter', 'DC/DC converter', 'hybrid', 'It charges the twelve-volt battery from the big one.'),
  inverter: part('inverter', 'drive motor/generator inverter', 'hybrid', 'It turns the battery’s current into the motor’s.'),
  'inverter-cooling': part('inverter cooling', 'inverter cooling system', 'hybrid', 'Pump and coolant that keep the inverter from overheating.'),
  'electric-motor': part('electric motor', 'drive motor/generator', 'hybrid', 'It drives the car and charges when slowing down.'),
  'motor-electronics': part('motor electronics', 'motor electronics', 'hybrid', 'The power electronics of the drive.'),
  'motor-temperature-sensor': part('motor heat sensor', 'drive motor/generator temperature sensor', 'hybrid', 'It measures how warm the motor is.'),
  'motor-position-sensor': part('motor position sensor', 'drive motor/generator position sensor', 'hybrid', 'It tells where the motor’s rotor is.'),
  'motor-current-sensor': part('motor current sensor', 'drive motor/generator current sensor', 'hybrid', 'It measures the motor’s current.'),
  'motor-torque-sensor': part('motor torque sensor', 'motor torque sensor', 'hybrid', 'It measures how hard the motor pulls.'),
  'generator-torque-sensor': part('generator torque sensor', 'generator torque sensor', 'hybrid', 'It measures how hard the generator brakes.'),
  'hybrid-unit': part('control unit', 'hybrid control module', 'hybrid', 'One of the computers of the electric drive.'),
  'hybrid-start': part('engine start', 'engine failed to start', 'hybrid', 'The electric motor turned the engine, and it did not run.'),
  'engine-mount': part('engine mount', 'engine mount control', 'hybrid', 'It softens the engine’s shake when it starts and stops.'),
  'electronics-temperature-sensor': part('electronics heat sensor', 'motor electronics coolant temperature sensor', 'hybrid', 'It measures the coolant of the power electronics.'),
  'electronics-coolant-pump': part('electronics coolant pump', 'motor electronics coolant pump', 'hybrid', 'It moves the coolant of the power electronics.'),
} as const satisfies Record<string, Component>;
