import { part, type Component } from '../part.ts';

/** Brakes, stability, steering and tyres. */
export const CHASSIS_PARTS = {
  brakes: part('brakes', 'brakes', 'brakes', 'They turn speed into heat; too hot, they fade.'),
  'brake-fluid': part('brake fluid level', 'brake fluid level; brake fluid', 'brakes', 'Low fluid means worn pads or a leak: find out which before topping up.'),
  'brake-valve': part('ABS valve', 'ABS inlet/outlet valve; brake valve', 'brakes', 'It holds or lets off the pressure at one wheel when it locks.'),
  'traction-valve': part('traction control valve', 'TCS control valve; traction valve', 'brakes', 'It brakes a wheel that spins.'),
  'brake-pump': part('ABS pump motor', 'ABS pump motor; brake pump', 'brakes', 'It returns fluid to build pressure again after the ABS has released it.'),
  'stop-lamp': part('stop (brake) light', 'stop lamp control; stop lamp', 'brakes', 'Those behind must see that you brake.'),
  'wheel-ring': part('wheel speed tone ring', 'wheel speed tone wheel; wheel toothed ring', 'brakes', 'Teeth or magnets that pass the wheel speed sensor; rust lifts and cracks the ring.'),
  'wheel-speed-sensor': part('wheel speed sensor', 'wheel speed sensor', 'brakes', 'It tells how fast one wheel turns.'),
  'brake-pedal-switch': part('brake pedal switch', 'brake pedal switch', 'brakes', 'It tells that you brake.'),
  'brake-pedal-sensor': part('brake pedal position sensor', 'brake pedal position sensor; brake pedal sensor', 'brakes', 'It tells how far the brake pedal is pressed.'),
  'brake-pressure-sensor': part('brake pressure sensor', 'brake pressure sensor', 'brakes', 'It measures the pressure in the brakes.'),
  'brake-warning-lamp': part('brake and stability warning light', 'brake/ABS/stability indicator; brake warning lamp', 'brakes', 'It must be able to light, otherwise faults stay hidden.'),
  'traction-switch': part('traction control switch', 'traction control disable switch; traction switch', 'brakes', 'It switches traction control off.'),
  'steering-angle-sensor': part('steering angle sensor', 'steering wheel position sensor', 'steering', 'It tells how far you turn the wheel; after a {flat battery} it may need its {centre} position relearned.'),
  'sideways-sensor': part('lateral acceleration sensor', 'lateral acceleration sensor; sideways sensor', 'brakes', 'It measures sideways (lateral) acceleration.'),
  'lengthways-sensor': part('longitudinal acceleration sensor', 'longitudinal acceleration sensor; lengthways sensor', 'brakes', 'It measures acceleration and braking.'),
  'yaw-sensor': part('yaw rate sensor', 'yaw rate sensor; yaw sensor', 'brakes', 'It measures how fast the {car} turns about its vertical axis.'),
  'roll-sensor': part('roll rate sensor', 'roll rate sensor; roll sensor', 'brakes', 'It measures how fast the {car} rolls to one side.'),
  'tyre-pressure': part('{tyre} pressure', 'low tire pressure', 'steering', 'An under-inflated {tyre} overheats and can burst.'),
  'tyre-size': part('{tyre} diameter', 'tire diameter; {tyre} size', 'steering', 'One wheel turns faster than the others: another {tyre}, or a soft one.'),
} as const satisfies Record<string, Component>;
