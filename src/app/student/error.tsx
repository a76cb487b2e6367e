"use client";
export { WentWrong as default } from "@/screens/student/went-wrong";
