import { part, type Component } from '../part.ts';

/** Brakes, stability, steering and tyres. */
export const CHASSIS_PARTS = {
  brakes: part('brakes', 'brakes', 'brakes', 'They turn speed into heat; too hot, they fade.'),
  'brake-fluid': part('brake fluid', 'brake fluid level', 'brakes', 'Low fluid means worn pads or a leak. Do not just fill it up.'),
  'brake-valve': part('brake valve', 'ABS inlet/outlet valve', 'brakes', 'It holds or lets off the pressure at one wheel when it locks.'),
  'traction-valve': part('traction valve', 'TCS control valve', 'brakes', 'It brakes a wheel that spins.'),
  'brake-pump': part('brake pump', 'ABS pump motor', 'brakes', 'It gives the pressure back after the brakes have let go.'),
  'stop-lamp': part('stop lamp', 'stop lamp control', 'brakes', 'Those behind must see that you brake.'),
  'wheel-ring': part('wheel toothed ring', 'wheel speed tone wheel', 'brakes', 'Teeth or magnets that pass the wheel’s sensor; rust lifts and cracks them.'),
  'wheel-speed-sensor': part('wheel speed sensor', 'wheel speed sensor', 'brakes', 'It tells how fast one wheel turns.'),
  'brake-pedal-switch': part('brake pedal switch', 'brake pedal switch', 'brakes', 'It tells that you brake.'),
  'brake-pedal-sensor': part('brake pedal sensor', 'brake pedal position sensor', 'brakes', 'It tells how far the brake pedal is pressed.'),
  'brake-pressure-sensor': part('brake pressure sensor', 'brake pressure sensor', 'brakes', 'It measures the pressure in the brakes.'),
  'brake-warning-lamp': part('brake warning lamp', 'brake/ABS/stability indicator', 'brakes', 'It must be able to light, or faults stay hidden.'),
  'traction-switch': part('traction switch', 'traction control disable switch', 'brakes', 'It switches traction control off.'),
  'steering-angle-sensor': part('steering angle sensor', 'steering wheel position sensor', 'steering', 'It tells where you want to go; after a flat battery it may have to learn the middle again.'),
  'sideways-sensor': part('sideways sensor', 'lateral acceleration sensor', 'brakes', 'It feels the car being pushed sideways.'),
  'lengthways-sensor': part('lengthways sensor', 'longitudinal acceleration sensor', 'brakes', 'It feels the car speeding up and slowing down.'),
  'yaw-sensor': part('yaw sensor', 'yaw rate sensor', 'brakes', 'It feels the car turning.'),
  'roll-sensor': part('roll sensor', 'roll rate sensor', 'brakes', 'It feels the car leaning.'),
  'tyre-pressure': part('tyre pressure', 'low tire pressure', 'steering', 'A soft tyre heats up and bursts.'),
  'tyre-size': part('tyre size', 'tire diameter', 'steering', 'One wheel turns faster than the others: another tyre, or a soft one.'),
} as const satisfies Record<string, Component>;
