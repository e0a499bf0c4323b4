import { part, type Component } from '../part.ts';

/** Hybrid and electric drive. */
export const HYBRID_PARTS = {
  'traction-battery': part('Hybrid/EV battery', 'hybrid battery pack; traction battery', 'hybrid', 'The high-voltage battery that drives the {car}. It can kill; only qualified people may open it.'),
  'traction-battery-fan': part('Hybrid/EV battery fan', 'hybrid battery pack cooling fan; traction battery fan', 'hybrid', 'It cools the high-voltage battery; a blocked grille in the cabin starves it.'),
  'traction-battery-sensor': part('Hybrid/EV battery temperature sensor', 'hybrid battery temperature sensor; traction battery heat sensor', 'hybrid', 'It measures how warm the high-voltage battery is.'),
  'traction-battery-current': part('Hybrid/EV battery current sensor', 'hybrid battery pack current sensor; traction battery current', 'hybrid', 'It measures what flows in and out of the high-voltage battery.'),
  'battery-cut-off': part('Hybrid/EV battery power-off', 'battery power off circuit; battery cut-off', 'hybrid', 'It disconnects the high-voltage battery.'),
  'high-voltage-contactor': part('Hybrid/EV battery contactor', 'hybrid battery contactor; contactor', 'hybrid', 'A heavy relay that connects the battery to the drive. Stuck closed, high voltage stays on although the {car} is off.'),
  'high-voltage-fuse': part('high-voltage fuse', 'high voltage fuse', 'hybrid', 'It blows when too much current flows; qualified people must find out why first.'),
  'high-voltage-interlock': part('high-voltage interlock', 'high voltage system interlock', 'hybrid', 'A loop through every orange plug and cover; open, the drive is cut.'),
  'high-voltage-isolation': part('high-voltage isolation', 'hybrid battery voltage system isolation', 'hybrid', 'The high-voltage (orange) cables must be insulated from the body. Do not touch any wiring, and do not charge the {car}, until it has been checked.'),
  'dc-converter': part('DC/DC converter', 'DC/DC converter; DC converter', 'hybrid', 'It charges the twelve-volt battery from the big one.'),
  inverter: part('drive motor inverter', 'drive motor/generator inverter; inverter', 'hybrid', 'It turns the battery’s direct current into alternating current for the motor.'),
  'inverter-cooling': part('inverter cooling system', 'inverter cooling system; inverter cooling', 'hybrid', 'Pump and coolant that keep the inverter from overheating.'),
  'electric-motor': part('drive motor', 'drive motor/generator; electric motor', 'hybrid', 'It drives the {car} and charges when slowing down.'),
  'motor-electronics': part('motor electronics', 'motor electronics', 'hybrid', 'The power electronics of the drive.'),
  'motor-temperature-sensor': part('drive motor temperature sensor', 'drive motor/generator temperature sensor; motor heat sensor', 'hybrid', 'It measures how warm the motor is.'),
  'motor-position-sensor': part('drive motor position sensor', 'drive motor/generator position sensor; motor position sensor', 'hybrid', 'It tells where the motor’s rotor is.'),
  'motor-current-sensor': part('drive motor current sensor', 'drive motor/generator current sensor; motor current sensor', 'hybrid', 'It measures the motor’s current.'),
  'motor-torque-sensor': part('motor torque sensor', 'motor torque sensor', 'hybrid', 'It measures how hard the motor pulls.'),
  'generator-torque-sensor': part('generator torque sensor', 'generator torque sensor', 'hybrid', 'It measures how hard the generator brakes.'),
  'hybrid-unit': part('hybrid control unit', 'hybrid control module; control unit', 'hybrid', 'One of the computers of the electric drive.'),
  'hybrid-start': part('engine start', 'engine failed to start', 'hybrid', 'The electric motor turned the engine, and it did not run.'),
  'engine-mount': part('engine mount control', 'engine mount control; engine mount', 'hybrid', 'It damps engine shake at starts and stops.'),
  'electronics-temperature-sensor': part('motor electronics coolant temperature', 'motor electronics coolant temperature sensor; electronics heat sensor', 'hybrid', 'It measures the coolant of the power electronics.'),
  'electronics-coolant-pump': part('motor electronics coolant pump', 'motor electronics coolant pump; electronics coolant pump', 'hybrid', 'It moves the coolant of the power electronics.'),
} as const satisfies Record<string, Component>;
